import type { AttemptResult, getQuiz } from '@jackdaw/contracts/attempts'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { quizItem } from '@jackdaw/core/items'
import { paragraphsOf } from '@jackdaw/core/tasks'
import type { QuizId } from '@jackdaw/core/shared'
import { CircleCheck, CircleX, Hourglass } from 'lucide-react'
import { Link, useNavigate } from 'react-router'
import { editOf, FavouriteMark, recordsOf, useFavourite } from '../items'
import { Button, ButtonLink, dayOf, Failed, Loaded, momentOf, StateMark, TitleLine } from '../ui'
import { useKeys } from '../ui/keys/useKeys'
import { useIds } from '../ui/search/useIds'
import { useTexts, type Texts } from '../ui/words/texts'
import { whyNot } from './beginWords'
import { useBeginAttempt, useQuiz } from './queries'

type Quiz = ResponseOf<typeof getQuiz>

/** A quiz as whoever takes it sees it: what they should know before they begin, and what they have done so far. */
export function QuizPage() {
  const { id } = useIds<{ id: QuizId }>()
  return <Loaded query={useQuiz(id)}>{(quiz) => <QuizShown quiz={quiz} />}</Loaded>
}

/** What holds for it, in words. */
export function rulesOf(t: Texts['t'], quiz: Quiz): string[] {
  const { questions, passMark, timeLimitMinutes, extraPercent, attemptsLeft, waitMinutes, opensAt, closesAt } = quiz
  return [
    t('{{count}} questions', { count: questions }),
    t('You pass with {{percent}} %.', { percent: passMark }),
    timeLimitMinutes === null
      ? t('There is no time limit; what you answer is saved, and you can go on later.')
      : t('You have {{minutes}} minutes once you begin, also while the page is closed.', {
          minutes: Math.round(timeLimitMinutes * (1 + extraPercent / 100)),
        }),
    attemptsLeft === null ? t('You can take it as often as you like.') : t('You have {{count}} attempts left.', { count: attemptsLeft }),
    ...(waitMinutes > 0 ? [t('Between an attempt that is not passed and the next lie {{count}} minutes.', { count: waitMinutes })] : []),
    ...(opensAt !== null ? [t('Open from {{moment}}', { moment: momentOf(opensAt) })] : []),
    ...(closesAt !== null ? [t('Open until {{moment}}', { moment: momentOf(closesAt) })] : []),
  ]
}

function QuizShown({ quiz }: { quiz: Quiz }) {
  const { t } = useTexts()
  const go = useNavigate()
  const mark = useFavourite(quiz.id, quiz.favourite)
  useKeys({ favourite: mark.toggle })
  const begin = useBeginAttempt(quiz.id)
  const { state, dueOn, use } = quiz
  const edit = editOf(t, quizItem(quiz.id))
  const why = quiz.open === null ? whyNot(t, quiz.begins) : null
  return (
    <>
      <title>{`${quiz.title} – Jackdaw`}</title>
      <TitleLine
        where={{ to: '/', name: t('Today') }}
        title={quiz.title}
        state={
          use === 'to-do' && (
            <span className="flex flex-wrap items-center gap-x-4">
              <StateMark state={state} dueOn={dueOn} />
              {dueOn && !['done', 'waived', 'due-soon'].includes(state) && <span>{t('due {{day}}', { day: dayOf(dueOn) })}</span>}
            </span>
          )
        }
      >
        <FavouriteMark {...mark} />
        {quiz.maySeeRecords && <ButtonLink to={recordsOf(quizItem(quiz.id))}>{t('Who finished')}</ButtonLink>}
        {quiz.mayEdit && <ButtonLink to={edit.to}>{edit.words}</ButtonLink>}
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-2xl mx-auto space-y-6">
          {quiz.words.trim() !== '' && (
            <div className="font-serif text-[18px] leading-7 space-y-3 whitespace-pre-line [overflow-wrap:anywhere]" dir="auto">
              {paragraphsOf(quiz.words).map((paragraph, n) => (
                <p key={n}>{paragraph}</p>
              ))}
            </div>
          )}
          <ul className="list-disc pl-6 space-y-1">
            {rulesOf(t, quiz).map((rule) => (
              <li key={rule}>{rule}</li>
            ))}
          </ul>
          {begin.isError && <Failed error={begin.error} />}
          {why === null ? (
            <Button
              look="primary"
              className="min-h-14 w-full sm:w-auto sm:px-10 text-lg"
              disabled={begin.isPending}
              onClick={() => begin.mutate(undefined, { onSuccess: ({ attemptId }) => void go(`/quiz-attempts/${attemptId}`) })}
            >
              {quiz.open !== null ? t('Go on with your attempt') : t('Begin')}
            </Button>
          ) : (
            <p className="font-semibold">{why}</p>
          )}
          {quiz.done.length > 0 && <Attempts done={quiz.done} />}
        </div>
      </div>
    </>
  )
}

/** What somebody has done so far. */
export function Attempts({ done }: { done: readonly AttemptResult[] }) {
  const { t } = useTexts()
  return (
    <section>
      <h2 className="text-lg mb-1">{t('Your attempts')}</h2>
      <ul className="border-t border-hair">
        {done.map(({ attemptId, number, passed, percent, endedAt }) => (
          <li key={attemptId} className="border-b border-hair">
            <Link to={`/quiz-attempts/${attemptId}`} className="flex items-center gap-3 min-h-12 hover:bg-wash px-1">
              <span className="tabular-nums text-soft w-6">{number}</span>
              {passed === null ? (
                <Hourglass size={18} className="text-petrol" aria-hidden />
              ) : passed ? (
                <CircleCheck size={18} className="text-moss" aria-hidden />
              ) : (
                <CircleX size={18} className="text-brick" aria-hidden />
              )}
              <span className="font-semibold w-28">{passed === null ? t('waits') : passed ? t('passed') : t('not passed')}</span>
              <span className="tabular-nums w-16">{percent === null ? '' : `${percent} %`}</span>
              <span className="text-soft">{momentOf(endedAt)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}
