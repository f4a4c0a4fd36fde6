import type { LocalDate } from '@jackdaw/core/shared'
import { dayAndYearOf } from '../ui'
import { useTexts } from '../ui/words/texts'

/** Says from which day on it is kept who used what, or sought what, where days before it are looked at. `together`: these are counted all the same. */
export function KeptNote({ kept, together = false, sought = false }: { kept: LocalDate | null; together?: boolean; sought?: boolean }) {
  const { t } = useTexts()
  if (kept === null) return null
  const since = { day: dayAndYearOf(kept) }
  return (
    <p role="note" className="py-2 max-w-prose">
      {together
        ? t(
            'Who used what when is kept since {{day}}. Before that, only how much everybody viewed and finished together is known: it is counted, and cannot be opened.',
            since,
          )
        : sought
          ? t('What people sought is kept since {{day}}. Nothing from before is counted here.', since)
          : t('Who used what when is kept since {{day}}. Nothing from before is counted here.', since)}
    </p>
  )
}
