import type { ReadFault } from '@jackdaw/core/quizzes/exchange'
import { Message } from '../../ui'
import { useTexts } from '../../ui/words/texts'

/** What was not understood. @param place what a fault's place is called */
export function Faults({ faults, place }: { faults: readonly ReadFault[]; place: (n: number) => string }) {
  const { t } = useTexts()
  if (faults.length === 0) return null
  return (
    <Message tone="warn" title={t('{{count}} things are not understood', { count: faults.length })}>
      <ul className="max-h-40 overflow-auto">
        {faults.map(({ line, words, into }, n) => (
          <li key={n}>
            {place(line)}: {t(words, into)}
          </li>
        ))}
      </ul>
    </Message>
  )
}
