import type { Amendment, HowAmended } from '@jackdaw/contracts/amendments'
import type { QuizId } from '@jackdaw/core/shared'
import { useEffect, useRef } from 'react'
import { queryClient } from '../../api'
import { momentOf } from '../../ui'
import { useTexts, type Texts } from '../../ui/words/texts'
import { useAmendments } from '../queries'
import { reachedWords } from './reachedWords'

/** How a question was put right, in words. */
export const howAmended = (t: Texts['t'], how: HowAmended): string =>
  how === 'voided' ? t('does not count any more') : t('answers marked anew')

/** What was put right of a quiz, with what came of it. */
export function AmendmentList({ id }: { id: QuizId }) {
  const { t } = useTexts()
  const { data = [] } = useAmendments(id)
  const underWay = data.some(({ doneAt }) => doneAt === null)
  const was = useRef(underWay)
  useEffect(() => {
    // The figures are others once all attempts have been gone through.
    if (was.current && !underWay) void queryClient.invalidateQueries({ queryKey: ['quiz-analysis', id] })
    was.current = underWay
  }, [underWay, id])
  if (data.length === 0) return null
  return (
    <section>
      <h2 className="text-lg border-b-2 border-ink">{t('What was put right')}</h2>
      <ol>
        {data.map((each) => (
          <Line key={each.amendmentId} amendment={each} />
        ))}
      </ol>
    </section>
  )
}

function Line({ amendment: { prompt, how, reason, by, at, doneAt, reached } }: { amendment: Amendment }) {
  const { t } = useTexts()
  return (
    <li className="border-b border-hair py-3 space-y-1 max-w-3xl">
      <p>
        <span className="font-semibold" dir="auto">
          {prompt}
        </span>{' '}
        – {howAmended(t, how)}
      </p>
      <p dir="auto">“{reason}”</p>
      <p className="text-sm text-soft">
        {by.name} · {momentOf(at)} ·{' '}
        <span aria-live="polite">
          {doneAt === null
            ? t('Attempts are being gone through …')
            : `${t('{{count}} attempts gone through', { count: reached.attempts })}: ${reachedWords(t, reached)}`}
        </span>
      </p>
    </li>
  )
}
