import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import { getQuizPicture } from '@jackdaw/contracts/quizzes'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { wordsOf, type AskedQuestion } from '@jackdaw/core/quizzes'
import type { QuizAttemptId, PictureId, QuestionId } from '@jackdaw/core/shared'
import { useRef, useState } from 'react'
import { Failed, Loaded, Message, StepRuler, TextLink, type RulerMark } from '../../ui'
import { Question as Ask } from '../../ui/over/Question'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { ContentView } from '../ContentView'
import { useHandInAttempt, useQuizAttempt } from '../queries'
import { AnswerTo } from './answers/AnswerTo'
import { Clock } from './Clock'
import { ResultView } from './ResultView'
import { SavingLine } from './SavingLine'
import { TakingBar } from './TakingBar'
import { useAnswers } from './useAnswers'

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

const sourceOf =
  ({ quizId, edition }: QuizAttempt) =>
  (pictureId: PictureId): string =>
    addressOf(getQuizPicture, { id: quizId, edition, pictureId })

/** An attempt that is under way: where somebody is in it, what they answer, and handing it in. */
function useTaking(attempt: QuizAttempt, onOver: () => void) {
  const { questions } = attempt
  const [at, setAt] = useState(0)
  const here = questions[at]
  const { answers, session } = useAnswers(attempt, here?.id, onOver)
  const heading = useRef<HTMLHeadingElement>(null)
  const handIn = useHandInAttempt(attempt.attemptId)
  const [unsaved, setUnsaved] = useState(false)
  const isAnswered = (id: QuestionId) => (answers.get(id)?.answer ?? null) !== null
  const left = questions.filter(({ id }) => !isAnswered(id)).length
  const go = (n: number) => {
    setAt(n)
    void session.flush()
    window.scrollTo(0, 0)
    requestAnimationFrame(() => heading.current?.focus({ preventScroll: true }))
  }
  const send = async () => {
    setUnsaved(false)
    if (await session.flush()) handIn.mutate()
    else setUnsaved(true)
  }
  return { at, here, left, answers, session, go, send, handIn, unsaved, heading, isAnswered }
}

function Taking({ attempt, onOver }: { attempt: QuizAttempt; onOver: () => void }) {
  const { t } = useTexts()
  const taking = useTaking(attempt, onOver)
  const { at, here, left, go, send, handIn, isAnswered } = taking
  const { questions, title } = attempt
  const [asked, setAsked] = useState(false)
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
        {here && <Asked key={here.id} {...{ attempt, taking, here }} />}
      </main>
      <TakingBar
        {...{ at, left, go }}
        all={questions.length}
        sending={handIn.isPending}
        onHandIn={() => (left > 0 ? setAsked(true) : void send())}
      />
      {asked && (
        <Ask
          title={t('Hand it in with {{count}} not answered?', { count: left })}
          about={t('What is not answered counts as wrong.')}
          yes={t('Hand it in')}
          onYes={() => {
            setAsked(false)
            void send()
          }}
          onNo={() => setAsked(false)}
        />
      )}
    </div>
  )
}

type Asking = { attempt: QuizAttempt; taking: ReturnType<typeof useTaking>; here: AskedQuestion }
/** The question in sight. */
function Asked({ attempt, taking: { at, answers, session, handIn, unsaved, heading }, here }: Asking) {
  const { t } = useTexts()
  const state = answers.get(here.id)
  return (
    <div className="px-4 md:px-10 py-6 pb-28 min-w-0">
      <div className="max-w-[720px] space-y-6">
        <h2 ref={heading} tabIndex={-1} className="sr-only">
          {t('Question {{n}}', { n: at + 1 })}
        </h2>
        <ContentView content={here.prompt} source={sourceOf(attempt)} className="text-lg" />
        <AnswerTo
          question={here}
          answer={state?.answer ?? null}
          disabled={handIn.isPending || state?.state === 'clash'}
          source={sourceOf(attempt)}
          onAnswer={(given, atOnce) => session.answer(here.id, given, atOnce)}
        />
        <SavingLine state={state} question={here} source={sourceOf(attempt)} onChoose={(which) => session.choose(here.id, which)} />
        {unsaved && (
          <Message tone="bad" role="alert" title={t('Not handed in: some answers are not saved yet.')}>
            {t('They are kept in this browser and sent as soon as the server can be reached. Then hand it in.')}
          </Message>
        )}
        {handIn.isError && <Failed error={handIn.error} />}
      </div>
    </div>
  )
}
