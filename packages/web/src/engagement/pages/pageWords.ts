import type { Texts } from '../../ui/words/texts'

/** How often a page is mailed, in words. */
export const mailWords = (t: Texts['t']): Record<'never' | 'week' | 'month', string> => ({
  never: t('never'),
  week: t('every Monday'),
  month: t('on the first of each month'),
})
