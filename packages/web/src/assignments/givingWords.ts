import type { DueRule } from '@jackdaw/core/assignments'
import { dayAndYearOf } from '../ui'
import type { Texts } from '../ui/words/texts'

/** By when something is to be done, in a few words. */
export function dueWords(t: Texts['t'], due: DueRule): string {
  if (due.kind === 'none') return t('at leisure')
  if (due.kind === 'date') return t('by {{day}}', { day: dayAndYearOf(due.date) })
  const from = due.from === 'hire' ? t('of their first day at work') : t('of getting it')
  return due.working
    ? t('within {{count}} working days {{from}}', { count: due.days, from })
    : t('within {{count}} days {{from}}', { count: due.days, from })
}
