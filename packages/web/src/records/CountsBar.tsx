import type { Counts } from '@jackdaw/contracts/records'
import { useTexts } from '../ui/words/texts'

/** Done against all, as a rule with a part filled in; the number stands beside it. */
export function DoneShare({ counts }: { counts: Counts }) {
  const { t } = useTexts()
  return (
    <span
      className="inline-flex items-center gap-2 whitespace-nowrap"
      title={t('{{done}} of {{people}} done', { done: counts.done, people: counts.people })}
    >
      <span className="w-24 h-2 bg-hair inline-block" aria-hidden>
        <span className="block h-full bg-moss" style={{ width: counts.people === 0 ? 0 : `${(100 * counts.done) / counts.people}%` }} />
      </span>
      <span>
        {counts.done} / {counts.people}
      </span>
    </span>
  )
}
