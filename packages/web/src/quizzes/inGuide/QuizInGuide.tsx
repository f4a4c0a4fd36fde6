import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { QuizAmongSteps, ReaderEdition } from '@jackdaw/contracts/reading'
import type { QuizAttemptId } from '@jackdaw/core/shared'
import { PanelTopClose } from 'lucide-react'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import type { QuizHere } from '../../players/reader/QuizHere'
import { standingWords } from '../../players/standingWords'
import { queryClient } from '../../api'
import { Button, Failed, Loaded } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { whyNot } from '../beginWords'
import { useBeginAttempt, useQuiz, useQuizAttempt } from '../queries'
import { Attempts, rulesOf } from '../QuizPage'
import { Asked } from '../taking/Asked'
import { Clock } from '../taking/Clock'
import { HandingIn } from '../taking/HandingIn'
import { ResultShown } from '../taking/ResultView'
import { placesToGoOver } from '../taking/StepAgain'
import { sourceOf, useTaking } from '../taking/useTaking'
import { LookingUp } from './LookingUp'
import { sectionsBefore, type LookUp } from './lookUp'

type Props = {
  edition: ReaderEdition
  quiz: QuizAmongSteps
  /** The steps before it, by their sections. */
  before: readonly LookUp[]
  onBegun: (id: QuizAttemptId) => void
  onLookUp: (looking: LookUp) => void
}

/** A quiz among the steps of a guide, taken where it stands: it folds away to show the steps, and keeps its answers. */
export const QuizInGuide: QuizHere = ({ edition, quiz, at, heading, onBusy }) => {
  const { t } = useTexts()
  const [begun, setBegun] = useState<QuizAttemptId | null>(null)
  const [looking, setLooking] = useState<LookUp | null>(null)
  const [taking, setTaking] = useState<number | null>(null)
  const busy = looking !== null || taking !== null
  useEffect(() => {
    onBusy(busy)
    return () => onBusy(false)
  }, [busy, onBusy])
  const before = useMemo(() => sectionsBefore(edition, at), [edition, at])
  if (!quiz) return null
  const props = { edition, quiz, before, onBegun: setBegun, onLookUp: setLooking }
  return (
    <>
      {looking && <LookingUp looking={looking} left={taking} onBack={() => setLooking(null)} />}
      <div hidden={looking !== null}>
        <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl mb-1 outline-none [overflow-wrap:anywhere]">
          {t('Quiz: {{title}}', { title: quiz.title })}
        </h1>
        {taking === null && <p className="text-soft mb-4">{standingWords(t, quiz)}</p>}
        {quiz.there && <OpenAttempt {...props} begun={begun} folded={looking !== null} onTaking={setTaking} />}
      </div>
    </>
  )
}

type Open = Props & { begun: QuizAttemptId | null; folded: boolean; onTaking: (left: number | null) => void }

/** The attempt that somebody has begun here or goes on with; before that, what they should know. */
function OpenAttempt({ begun, folded, onTaking, ...props }: Open) {
  const quiz = useQuiz(props.quiz.quizId)
  return (
    <Loaded query={quiz}>
      {(about) => {
        const id = begun ?? about.open
        return id === null ? <Before {...props} about={about} /> : <AttemptHere key={id} {...props} {...{ id, folded, onTaking }} />
      }}
    </Loaded>
  )
}

/** What somebody should know before they begin, and the sections that they may look at first. */
function Before({ quiz, about, before, onBegun, onLookUp }: Props & { about: NonNullable<ReturnType<typeof useQuiz>['data']> }) {
  const { t } = useTexts()
  const begin = useBeginAttempt(quiz.quizId)
  const why = whyNot(t, about.begins)
  return (
    <div className="space-y-6">
      <ul className="list-disc pl-6 space-y-1">
        {rulesOf(t, about).map((rule) => (
          <li key={rule}>{rule}</li>
        ))}
      </ul>
      {begin.isError && <Failed error={begin.error} />}
      {why === null ? (
        <Button
          look={quiz.settled ? 'plain' : 'primary'}
          className="min-h-14 w-full sm:w-auto sm:px-10 text-lg"
          data-quiz-on
          disabled={begin.isPending}
          onClick={() => begin.mutate(undefined, { onSuccess: ({ attemptId }) => onBegun(attemptId) })}
        >
          {about.done.length > 0 ? t('Try again') : t('Begin')}
        </Button>
      ) : (
        <p className="font-semibold" tabIndex={-1} data-quiz-on>
          {why}
        </p>
      )}
      {before.length > 0 && <LookUpFirst {...{ before, onLookUp }} />}
      {about.done.length > 0 && <Attempts done={about.done} />}
    </div>
  )
}

function LookUpFirst({ before, onLookUp }: Pick<Props, 'before' | 'onLookUp'>) {
  const { t } = useTexts()
  return (
    <section>
      <h2 className="text-lg mb-1">{t('Look something up first')}</h2>
      <ul className="border-t border-hair">
        {before.map((each) => (
          <li key={each.places[0]!.stepId} className="border-b border-hair">
            <button type="button" className="min-h-12 w-full text-left px-1 hover:bg-wash text-petrol" onClick={() => onLookUp(each)}>
              {each.title || t('The steps so far')}{' '}
              <span className="text-soft">· {t('{{count}} steps', { count: each.places.length })}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}

function AttemptHere({ id, folded, onTaking, ...props }: Props & { id: QuizAttemptId; folded: boolean; onTaking: Open['onTaking'] }) {
  const query = useQuizAttempt(id)
  const { onBegun } = props
  // One that was gone on with stays here once it is over.
  useEffect(() => onBegun(id), [id, onBegun])
  return (
    <Loaded query={query}>
      {(attempt) =>
        attempt.result ? (
          <Result {...props} attempt={attempt} result={attempt.result} />
        ) : (
          <TakingHere {...props} {...{ attempt, folded, onTaking }} onOver={() => void query.refetch()} />
        )
      }
    </Loaded>
  )
}

type TakingProps = Props & { attempt: QuizAttempt; folded: boolean; onTaking: Open['onTaking']; onOver: () => void }
/** The questions, one after the other, as long as the attempt is open. */
function TakingHere({ attempt, before, folded, onTaking, onLookUp, onOver }: TakingProps) {
  const { t } = useTexts()
  const taking = useTaking(attempt, onOver)
  const { at, here, left } = taking
  const all = attempt.questions.length
  useEffect(() => onTaking(left), [left, onTaking])
  useEffect(() => () => onTaking(null), [onTaking])
  const places = before.flatMap((each) => each.places)
  return (
    <section aria-label={attempt.title}>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b-2 border-ink pb-2 mb-5">
        <p className="grow tabular-nums">{t('Question {{n}} of {{all}}', { n: at + 1, all })}</p>
        {attempt.endsAt !== null && <Clock endsAt={attempt.endsAt} now={attempt.now} onOver={onOver} />}
        {places.length > 0 && (
          <Button className="min-h-11" onClick={() => onLookUp({ title: '', places, at: places.length - 1 })}>
            <PanelTopClose size={18} aria-hidden />
            {t('Fold away and show the step')}
          </Button>
        )}
      </div>
      {here && <Asked key={here.id} {...{ attempt, taking, here }} />}
      {!folded && <HandingIn {...{ taking, all }} inGuide />}
    </section>
  )
}

/** What came of it, and where that leads: on, back over the steps that were missed, or to the next attempt. */
function Result({
  quiz,
  attempt,
  result,
  onBegun,
  onLookUp,
}: Props & { attempt: QuizAttempt; result: NonNullable<QuizAttempt['result']> }) {
  // It was over by the clock, or somewhere else: what depends on it is asked for anew.
  useEffect(() => void queryClient.invalidateQueries({ queryKey: ['guide-quizzes'] }), [])
  const { t } = useTexts()
  const begin = useBeginAttempt(quiz.quizId)
  const why = result.passed ? null : whyNot(t, result.begins)
  const places = result.passed ? [] : placesToGoOver(result)
  const again: ReactNode = why === null && !result.passed && (
    <Button
      look={places.length > 0 || quiz.settled ? 'plain' : 'primary'}
      className="min-h-14 px-8 text-lg"
      data-quiz-on={places.length > 0 ? undefined : true}
      disabled={begin.isPending}
      onClick={() => begin.mutate(undefined, { onSuccess: ({ attemptId }) => onBegun(attemptId) })}
    >
      {t('Try again')}
    </Button>
  )
  const next = (
    <div className="space-y-3">
      <div className="flex flex-wrap gap-3">
        {places.length > 0 && (
          <Button
            look="primary"
            className="min-h-14 px-6 text-lg"
            data-quiz-on
            onClick={() => onLookUp({ title: t('Go over these steps again'), places, at: 0 })}
          >
            {t('Go over these steps again')}
          </Button>
        )}
        {again}
      </div>
      {begin.isError && <Failed error={begin.error} />}
      {why !== null && <p className="font-semibold">{why}</p>}
    </div>
  )
  return (
    <div className="space-y-8">
      <ResultShown {...{ attempt, result, next }} source={sourceOf(attempt)} level="h2" />
    </div>
  )
}
