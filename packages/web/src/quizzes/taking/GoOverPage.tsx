import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { QuizAttemptId } from '@jackdaw/core/shared'
import { ArrowLeft, ArrowRight } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { Button, ButtonLink, Failed, Loaded, Message, StepRuler, TextLink } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { whyNot } from '../beginWords'
import { useBeginAttempt, useQuizAttempt } from '../queries'
import { placesToGoOver, StepAgain, type Place } from './StepAgain'

type Result = NonNullable<QuizAttempt['result']>

/** Just the steps behind the questions that somebody missed, one after the other, and then the next attempt. */
export function GoOverPage() {
  const { id } = useIds<{ id: QuizAttemptId }>()
  const { t } = useTexts()
  return (
    <Loaded query={useQuizAttempt(id)}>
      {(attempt) =>
        attempt.result === null || attempt.result.goOver.length === 0 ? (
          <main id="main" className="p-6 max-w-2xl">
            <Message title={t('There are no steps to go over.')}>
              <TextLink to={`/quiz-attempts/${id}`}>{t('Back to the attempt')}</TextLink>
            </Message>
          </main>
        ) : (
          <GoingOver attempt={attempt} result={attempt.result} />
        )
      }
    </Loaded>
  )
}

function GoingOver({ attempt, result }: { attempt: QuizAttempt; result: Result }) {
  const { t } = useTexts()
  const places = placesToGoOver(result)
  const [at, setAt] = useState(0)
  const here = places[at]
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => {
    heading.current?.focus({ preventScroll: true })
    window.scrollTo(0, 0)
  }, [at])
  return (
    <div className="min-h-dvh flex flex-col">
      <title>{`${t('Go over these steps again')} – ${attempt.title} – Jackdaw`}</title>
      <header className="bg-sheet border-b border-hair px-4 md:px-6 min-h-14 py-2 flex flex-wrap items-center gap-x-5 sticky top-0 z-20">
        <div className="grow min-w-0">
          <h1 className="font-serif text-lg leading-6">{t('Go over these steps again')}</h1>
          <p className="text-sm text-soft">
            {t('{{n}} of {{all}}, for “{{title}}”', { n: at + 1, all: places.length, title: attempt.title })}
          </p>
        </div>
        <TextLink to={`/quiz-attempts/${attempt.attemptId}`}>{t('Back to the attempt')}</TextLink>
      </header>
      <main id="main" className="grow grid md:grid-cols-[264px_minmax(0,1fr)] bg-sheet">
        <div className="hidden md:block border-r border-hair px-4 py-4">
          <Ruler {...{ result, at, places }} onPick={setAt} />
        </div>
        <article className="px-4 md:px-10 py-6 pb-28 min-w-0 max-w-[860px]">
          {here && <StepAgain key={`${here.guideId} ${here.stepId}`} place={here} heading={heading} />}
        </article>
      </main>
      <Bar {...{ attempt, result, at, setAt }} all={places.length} />
    </div>
  )
}

/** The steps, by their guides. */
function Ruler({ result, places, at, onPick }: { result: Result; places: readonly Place[]; at: number; onPick: (n: number) => void }) {
  const { t } = useTexts()
  const marks = result.goOver.flatMap(({ guideId, title, steps }) => [
    { id: guideId as string, kind: 'section' as const, name: title },
    ...steps.map((stepId) => {
      const n = places.findIndex((place) => place.stepId === stepId)
      const state = n === at ? ('here' as const) : n < at ? ('done' as const) : ('open' as const)
      return { id: stepId as string, kind: 'step' as const, name: '', number: n + 1, state }
    }),
  ])
  return <StepRuler marks={marks} label={t('Steps')} onPick={(id) => onPick(places.findIndex(({ stepId }) => stepId === id))} />
}

/** Where to go from a step; behind the last one, the next attempt. */
function Bar({
  attempt: { quizId },
  result,
  at,
  all,
  setAt,
}: {
  attempt: QuizAttempt
  result: Result
  at: number
  all: number
  setAt: (n: number) => void
}) {
  const { t } = useTexts()
  const go = useNavigate()
  const begin = useBeginAttempt(quizId)
  const why = whyNot(t, result.begins)
  const isLast = at === all - 1
  return (
    <footer data-bottom-bar className="fixed bottom-0 inset-x-0 bg-sheet border-t border-hair px-4 md:px-6 py-2 z-20">
      {begin.isError && <Failed error={begin.error} />}
      <div className="flex gap-2 items-center">
        <Button className="min-h-14 px-4" disabled={at === 0} onClick={() => setAt(at - 1)}>
          <ArrowLeft size={20} aria-hidden />
          <span className="max-sm:sr-only">{t('Back')}</span>
        </Button>
        <span className="grow text-sm text-soft text-center">{isLast && why}</span>
        {!isLast ? (
          <Button look="primary" className="min-h-14 px-6" onClick={() => setAt(at + 1)}>
            {t('Next')}
            <ArrowRight size={20} aria-hidden />
          </Button>
        ) : why === null ? (
          <Button
            look="primary"
            className="min-h-14 px-6"
            disabled={begin.isPending}
            onClick={() => begin.mutate(undefined, { onSuccess: ({ attemptId }) => void go(`/quiz-attempts/${attemptId}`) })}
          >
            {t('Try again')}
          </Button>
        ) : (
          <ButtonLink look="primary" className="min-h-14 px-6" to={`/quizzes/${quizId}`}>
            {t('To the quiz')}
          </ButtonLink>
        )}
      </div>
    </footer>
  )
}
