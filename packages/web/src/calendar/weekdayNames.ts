import type { Weekday } from '@jackdaw/core/calendar'
import type { Texts } from '../ui/words/texts'

/** What the days of the week are called. */
export const weekdayNames = (t: Texts['t']): Record<Weekday, string> => ({
  1: t('Monday'),
  2: t('Tuesday'),
  3: t('Wednesday'),
  4: t('Thursday'),
  5: t('Friday'),
  6: t('Saturday'),
  7: t('Sunday'),
})
