import type { PutRight, QuizAttempt, SaidOfReply, ToldMark } from '@jackdaw/contracts/attempts'
import { isBlank, kindOf, type AskedQuestion } from '@jackdaw/core/quizzes'
import { CircleCheck, CircleX, Hourglass } from 'lucide-react'
import { useEffect, useState, type ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { Button, ButtonLink, Failed, lengthOf, Message, momentOf, TextLink } from '../../ui'
import { useTexts, type Texts } from '../../ui/words/texts'
import { whyNot } from '../beginWords'
import { ContentView, type FileSource } from '../ContentView'
import { useBeginAttempt } from '../queries'
import { RightAnswer } from '../RightAnswer'
import { VerdictMark } from '../verdictWords'
import { AnswerTo } from './answers/AnswerTo'
import { keptAnswers } from './keptAnswers'

type Result = NonNullable<QuizAttempt['result']>
const putRightWords = (t: Texts['t']): Record<PutRight['change'], string> => ({
  passes: t('Your result has been put right: it counts as passed'),
  fails: t('Your result has been put right: it does not count as passed any more'),
  points: t('Your result has been put right: only the points are others'),
})

/** What came of an attempt, as far as its author has it told, and what can be done next. */
export function ResultView({ attempt, result, source }: { attempt: QuizAttempt; result: Result; source: FileSource }) {
  return (
    <main id="main" className="min-h-dvh bg-sheet px-4 md:px-10 py-8">
      <title>{`${attempt.title} – Jackdaw`}</title>
      <div className="max-w-[760px] mx-auto space-y-8">
        <ResultShown {...{ attempt, result, source }} level="h1" next={<Next {...{ attempt, result }} />} />
      </div>
    </main>
  )
}

/** What came of an attempt. @param next what can be done next */
export function ResultShown({
  attempt,
  result,
  source,
  level,
  next,
}: {
  attempt: QuizAttempt
  result: Result
  source: FileSource
  level: 'h1' | 'h2'
  next: ReactNode
}) {
  const { t } = useTexts()
  const { title, quizId, passMark } = attempt
  const late = useCameTooLate(attempt)
  return (
    <>
      <header className="space-y-2">
        <p className="text-sm text-soft">
          <TextLink to={`/quizzes/${quizId}`}>{title}</TextLink> · {t('Attempt {{n}}', { n: result.number })}
        </p>
        <Standing result={result} level={level} />
        {result.percent !== null && (
          <p className="text-lg">
            {t('{{percent}} %; {{mark}} % are needed. {{right}} of {{questions}} right.', {
              ...{ percent: result.percent, mark: passMark, right: result.right, questions: result.questions },
            })}
          </p>
        )}
        <p className="text-sm text-soft">
          {result.ended === 'time-over'
            ? t('The time was over {{moment}}; what was answered by then counts.', { moment: momentOf(result.endedAt) })
            : momentOf(result.endedAt)}
          {' · '}
          {lengthOf(result.endedAt - result.openedAt)}
        </p>
      </header>
      {result.putRight.map(({ at, change, reason }) => (
        <Message key={at} tone="note" title={putRightWords(t)[change]}>
          <span dir="auto">“{reason}”</span> · {momentOf(at)}
        </Message>
      ))}
      {late > 0 && (
        <Message tone="warn" title={t('{{count}} answers of this browser came too late', { count: late })}>
          {t('The time was over before they reached the server. They do not count.')}
        </Message>
      )}
      {next}
      {result.marks ? (
        <Marks {...{ attempt, source, said: result.said }} marks={result.marks} />
      ) : (
        <SaidAlone {...{ attempt, source, said: result.said }} />
      )}
    </>
  )
}

/** How many answers this browser could not send before the attempt was over; it keeps them no longer. */
function useCameTooLate({ attemptId }: QuizAttempt): number {
  const [late] = useState(() => keptAnswers.read(attemptId).length)
  useEffect(() => keptAnswers.forget(attemptId), [attemptId])
  return late
}

function Standing({ result: { passed }, level: Level }: { result: Result; level: 'h1' | 'h2' }) {
  const { t } = useTexts()
  const [Icon, colour, words] =
    passed === null
      ? ([Hourglass, 'text-petrol', t('Handed in. A person judges some of it; you are told.')] as const)
      : passed
        ? ([CircleCheck, 'text-moss', t('Passed')] as const)
        : ([CircleX, 'text-brick', t('Not passed yet')] as const)
  return (
    <Level className={`font-serif text-2xl flex items-center gap-3 ${colour}`}>
      <Icon size={34} aria-hidden className="shrink-0" />
      {words}
    </Level>
  )
}

/** The steps behind what was missed, and the next attempt. */
function Next({ attempt: { attemptId, quizId }, result }: { attempt: QuizAttempt; result: Result }) {
  const { t } = useTexts()
  const go = useNavigate()
  const begin = useBeginAttempt(quizId)
  const why = whyNot(t, result.begins)
  const again = () => begin.mutate(undefined, { onSuccess: ({ attemptId }) => void go(`/quiz-attempts/${attemptId}`) })
  return (
    <section className="space-y-4">
      {!result.passed && result.goOver.length > 0 && (
        <div className="border-l-4 border-petrol pl-4 space-y-2">
          <h2 className="text-lg">{t('What you missed is said here')}</h2>
          <ul>
            {result.goOver.map(({ guideId, title, steps }) => (
              <li key={guideId}>
                {title} <span className="text-soft">· {t('{{count}} steps', { count: steps.length })}</span>
              </li>
            ))}
          </ul>
          <ButtonLink look="primary" className="min-h-14 px-6 text-lg" to={`/quiz-attempts/${attemptId}/go-over`}>
            {t('Go over these steps again')}
          </ButtonLink>
        </div>
      )}
      {begin.isError && <Failed error={begin.error} />}
      <div className="flex flex-wrap gap-3 items-center">
        {why === null && !result.passed && (
          <Button
            look={result.goOver.length > 0 ? 'plain' : 'primary'}
            className="min-h-14 px-8 text-lg"
            disabled={begin.isPending}
            onClick={again}
          >
            {t('Try again')}
          </Button>
        )}
        <ButtonLink to="/" look={result.passed ? 'primary' : 'plain'} className="min-h-14 px-6 text-lg">
          {t('Go to Today')}
        </ButtonLink>
        {why === null && result.passed && (
          <Button className="min-h-14 px-6" disabled={begin.isPending} onClick={again}>
            {t('Take it once more')}
          </Button>
        )}
        {!result.passed && why === null && result.attemptsLeft !== null && (
          <span className="text-soft">{t('{{count}} attempts left', { count: result.attemptsLeft })}</span>
        )}
      </div>
      {why !== null && <p className={result.passed ? 'text-soft' : 'font-semibold'}>{why}</p>}
    </section>
  )
}

type Shown = { attempt: QuizAttempt; said: readonly SaidOfReply[]; source: FileSource }
/** What those who judged a reply said about it. */
function Said({ said, question }: { said: readonly SaidOfReply[]; question: AskedQuestion }) {
  const { t } = useTexts()
  const words = said.find(({ questionId }) => questionId === question.id)?.words ?? []
  if (words.length === 0) return null
  return (
    <div className="border-l-4 border-petrol pl-4 space-y-2">
      <h3 className="text-sm font-semibold">{t('What was said about it')}</h3>
      {words.map((each, n) => (
        <p key={n} className="whitespace-pre-line" dir="auto">
          {each}
        </p>
      ))}
    </div>
  )
}
/** The replies with what was said about them, where nothing else is told of the answers. */
function SaidAlone({ attempt, said, source }: Shown) {
  const replies = attempt.questions.filter(({ id }) => said.some(({ questionId }) => questionId === id))
  return replies.map((question) => (
    <section key={question.id} className="space-y-3">
      <ContentView content={question.prompt} source={source} />
      <Said {...{ said, question }} />
    </section>
  ))
}

/** Each question with what was answered and how it was marked; where the author has it told, with what is right and why. */
function Marks({ attempt, marks, source, said }: Shown & { marks: readonly ToldMark[] }) {
  const { t } = useTexts()
  return (
    <section className="space-y-2">
      <h2 className="text-lg border-b-2 border-ink">{t('Your answers')}</h2>
      <ol>
        {attempt.questions.map((question, n) => {
          const mark = marks.find(({ questionId }) => questionId === question.id)
          const given = attempt.answers.find(({ questionId }) => questionId === question.id)?.answer ?? null
          return (
            <li key={question.id} className="border-b border-hair py-5 space-y-3">
              <div className="flex flex-wrap gap-x-4 gap-y-1 items-center">
                <span className="tabular-nums text-soft">{n + 1}</span>
                {mark && mark.counts && <VerdictMark verdict={mark.verdict} />}
                {mark && !mark.counts && <span className="font-semibold text-soft">{t('does not count')}</span>}
                {mark && mark.counts && mark.most !== 1 && (
                  <span className="text-sm text-soft">
                    {t('{{points}} of {{most}} points', { points: Math.round(mark.points * 100) / 100, most: mark.most })}
                  </span>
                )}
              </div>
              <ContentView content={question.prompt} source={source} />
              <AnswerTo question={question} answer={given} disabled source={source} />
              <Said {...{ said, question }} />
              {mark?.explained && (
                <div className="border-l-4 border-moss pl-4 space-y-2">
                  {mark.verdict !== 'right' && kindOf(mark.explained.question.kind).judgedBy === 'rules' && (
                    <>
                      <h3 className="text-sm font-semibold">{t('What is right')}</h3>
                      <RightAnswer question={mark.explained.question} source={source} />
                    </>
                  )}
                  {!isBlank(mark.explained.explanation) && <ContentView content={mark.explained.explanation} source={source} />}
                </div>
              )}
            </li>
          )
        })}
      </ol>
    </section>
  )
}
