import type { LocalDate } from '@jackdaw/core/shared'
import { monthOf } from '../ui'
import { useTexts } from '../ui/words/texts'

/** Chooses one of the months that are over. */
export function MonthChoice({
  month,
  months,
  onChoose,
}: {
  month: LocalDate
  months: readonly LocalDate[]
  onChoose: (month: string) => void
}) {
  const { t } = useTexts()
  return (
    <select
      aria-label={t('Month')}
      className="min-h-9 px-2 border border-edge rounded-md bg-sheet"
      value={month}
      onChange={(event) => onChoose(event.target.value)}
    >
      {months.map((each) => (
        <option key={each} value={each}>
          {monthOf(each)}
        </option>
      ))}
    </select>
  )
}
