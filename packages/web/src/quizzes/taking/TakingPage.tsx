import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import { wordsOf } from '@jackdaw/core/quizzes'
import type { QuizAttemptId } from '@jackdaw/core/shared'
import { Loaded, StepRuler, TextLink, type RulerMark } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { useQuizAttempt } from '../queries'
import { Asked } from './Asked'
import { Clock } from './Clock'
import { HandingIn } from './HandingIn'
import { ResultView } from './ResultView'
import { sourceOf, useTaking } from './useTaking'

/** An attempt at a quiz: its questions one after the other, and, once it is over, what came of it. */
export function TakingPage() {
  const { id } = useIds<{ id: QuizAttemptId }>()
  const attempt = useQuizAttempt(id)
  return (
    <Loaded query={attempt}>
      {(found) =>
        found.result ? (
          <ResultView attempt={found} result={found.result} source={sourceOf(found)} />
        ) : (
          <Taking key={found.attemptId} attempt={found} onOver={() => void attempt.refetch()} />
        )
      }
    </Loaded>
  )
}

function Taking({ attempt, onOver }: { attempt: QuizAttempt; onOver: () => void }) {
  const { t } = useTexts()
  const taking = useTaking(attempt, onOver)
  const { at, here, go, isAnswered } = taking
  const { questions, title } = attempt
  const marks: RulerMark[] = questions.map(({ id, prompt }, n) => ({
    ...{ id, kind: 'step' as const, name: wordsOf(prompt), number: n + 1 },
    state: n === at ? 'here' : isAnswered(id) ? 'done' : 'open',
  }))
  return (
    <div className="min-h-dvh flex flex-col">
      <title>{`${title} – Jackdaw`}</title>
      <header className="bg-sheet border-b border-hair px-4 md:px-6 min-h-14 flex flex-wrap items-center gap-x-5 gap-y-1 py-2 sticky top-0 z-20">
        <div className="grow min-w-0">
          <h1 className="font-serif text-lg leading-6 [overflow-wrap:anywhere]">{title}</h1>
          <p className="text-sm text-soft">{t('Question {{n}} of {{all}}', { n: at + 1, all: questions.length })}</p>
        </div>
        {attempt.endsAt !== null && <Clock endsAt={attempt.endsAt} now={attempt.now} onOver={onOver} />}
        <TextLink to={`/quizzes/${attempt.quizId}`}>{t('Leave it for now')}</TextLink>
      </header>
      <main id="main" className="grow grid md:grid-cols-[264px_minmax(0,1fr)] bg-sheet">
        <div className="hidden md:block border-r border-hair px-4 py-4">
          <StepRuler marks={marks} label={t('Questions')} onPick={(id) => go(questions.findIndex((each) => each.id === id))} />
        </div>
        {here && (
          <div className="px-4 md:px-10 py-6 pb-28 min-w-0">
            <Asked key={here.id} {...{ attempt, taking, here }} />
          </div>
        )}
      </main>
      <HandingIn taking={taking} all={questions.length} />
    </div>
  )
}
