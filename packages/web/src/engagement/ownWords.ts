import type { Texts } from '../ui/words/texts'

/** A rounded number of people: nought of them may be one or two. */
export const about = (t: Texts['t'], n: number): string => (n === 0 ? t('hardly any') : t('about {{n}}', { n }))
/** Why figures are as they are, for whoever may not see the people behind them. */
export const whyRounded = (t: Texts['t'], leastGroup: number): string =>
  t(
    'You see how others use what you own, without seeing who they are. So numbers of people are rounded to fives, groups of fewer than {{n}} are counted together, and only whole months can be looked at. Your own use is not counted.',
    { n: leastGroup },
  )
