import type { CompanyReminders } from '@jackdaw/contracts/assignments'
import type { Texts } from '../ui/words/texts'

const listed = (days: readonly number[]): string => [...days].sort((a, b) => a - b).join(', ')
const hour = (of: number): string => `${String(of).padStart(2, '0')}:00`

/** When people are reminded, and when mail waits, as sentences. */
export function reminderWords(
  t: Texts['t'],
  { reminders: { before, after, managerAfter }, mail: { quietFrom, quietUntil } }: CompanyReminders,
): string[] {
  return [
    before.length > 0
      ? t('Reminded so many days before something is due: {{days}}.', { days: listed(before) })
      : t('Nobody is reminded before something is due.'),
    after.length > 0
      ? t('Reminded so many days after it was due: {{days}}.', { days: listed(after) })
      : t('Nobody is reminded after something was due.'),
    managerAfter === null
      ? t('Whoever they report to is not told.')
      : t('Whoever they report to is told after {{count}} days.', { count: managerAfter }),
    quietFrom === quietUntil
      ? t('Mail may leave at any hour.')
      : t('No mail leaves from {{from}} to {{until}}.', { from: hour(quietFrom), until: hour(quietUntil) }),
  ]
}
