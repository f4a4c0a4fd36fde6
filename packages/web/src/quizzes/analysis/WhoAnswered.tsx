import type { Counted } from '@jackdaw/contracts/quizAnalysis'
import type { Verdict } from '@jackdaw/core/quizzes'
import type { QuestionId, QuizId } from '@jackdaw/core/shared'
import { Button, Loaded, TextLink, whenOf } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useAnswersTo } from '../queries'
import { VerdictMark } from '../verdictWords'

/** Whom a figure counts: those who were marked so, or who chose something; `words`: which, as people read it. */
export type Opened = { verdict: Verdict | null; choice: string | null; words: string }

/** The people whom a figure counts, each leading to their attempt. */
export function WhoAnswered({
  quizId,
  questionId,
  counted,
  opened,
  onClose,
}: {
  quizId: QuizId
  questionId: QuestionId
  counted: Counted
  opened: Opened
  onClose: () => void
}) {
  const { t } = useTexts()
  const { verdict, choice, words } = opened
  const query = useAnswersTo(quizId, questionId, { counted, verdict: verdict ?? undefined, choice: choice ?? undefined })
  return (
    <section className="lg:pl-12 space-y-1" aria-label={words}>
      <header className="flex items-center gap-3">
        <h3 className="text-sm font-semibold" dir="auto">
          {words}
        </h3>
        <Button look="quiet" onClick={onClose}>
          {t('Close')}
        </Button>
      </header>
      <Loaded query={query}>
        {({ count, rows }) => (
          <>
            <ul className="columns-1 sm:columns-2 xl:columns-3 gap-6">
              {rows.map((row) => (
                <li key={row.attemptId} className="flex flex-wrap gap-x-2 py-0.5 break-inside-avoid">
                  <TextLink to={`/records/attempts/${row.attemptId}`}>{row.person.name}</TextLink>
                  <VerdictMark verdict={row.verdict} />
                  <span className="text-soft text-sm">
                    {t('attempt {{n}}', { n: row.number })}, {row.percent} %, {whenOf(row.endedAt)}
                  </span>
                </li>
              ))}
            </ul>
            {count > rows.length && (
              <p className="text-sm text-soft">{t('{{shown}} of {{count}} are listed.', { shown: rows.length, count })}</p>
            )}
            {count === 0 && <p className="text-sm text-soft">{t('Nobody whose records you may see.')}</p>}
          </>
        )}
      </Loaded>
    </section>
  )
}
