import type { Rule } from '@jackdaw/core/guides'
import { OTHERWISE } from '@jackdaw/core/flow'
import { useTexts, type Texts } from '../ui/words/texts'
import { Button } from '../ui'

type Onward = { id: string; words: string; rule?: Rule }

/** What a guide goes on by, offered to be chosen from: the author's choices, or the cases of a rule that is not decided yet. */
export function WaysOn({ ask, ways, onChoose }: { ask: string; ways: readonly Onward[]; onChoose: (id: string) => void }) {
  const { t } = useTexts()
  const byRule = ways.some((way) => way.rule)
  return (
    <section aria-label={t('How it goes on')} className="mt-6 border-t-2 border-ink pt-3" data-ways>
      <p className="font-semibold mb-2">{ask || (byRule ? t('Which holds?') : t('How does it go on?'))}</p>
      <div className="flex flex-col sm:flex-row sm:flex-wrap gap-2">
        {ways.map((way) => (
          <Button
            key={way.id}
            className="min-h-14 px-5 py-2 text-lg whitespace-normal! text-left justify-start sm:justify-center"
            onClick={() => onChoose(way.id)}
          >
            {wordsOf(way, t)}
          </Button>
        ))}
      </div>
    </section>
  )
}

function wordsOf({ id, words, rule }: Onward, t: Texts['t']): string {
  if (words) return words
  if (id === OTHERWISE || !rule || rule.when.of !== 'value') return t('Something else')
  const { accept, not } = rule.when
  const value = {
    exact: () => ('value' in accept ? accept.value : ''),
    same: () => ('value' in accept ? accept.value : ''),
    'without-blanks': () => ('value' in accept ? accept.value : ''),
    pattern: () => ('pattern' in accept ? accept.pattern : ''),
    'one-of': () => ('values' in accept ? accept.values.join(', ') : ''),
    date: () => ('date' in accept ? accept.date : ''),
    range: () => ('least' in accept ? t('{{least}} to {{most}}', { least: accept.least ?? '…', most: accept.most ?? '…' }) : ''),
    anything: () => t('Something was entered'),
  }[accept.how]()
  return not ? t('Not: {{value}}', { value }) : value
}
