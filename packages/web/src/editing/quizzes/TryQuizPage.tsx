import { getBank } from '@jackdaw/contracts/quizzes'
import {
  askedOf,
  drawQuestions,
  isBlank,
  kindOf,
  markOf,
  questionLacks,
  scoreOf,
  type Answer,
  type Mark,
  type Question,
  type QuizEdition,
} from '@jackdaw/core/quizzes'
import type { BankId, QuestionId, QuizId } from '@jackdaw/core/shared'
import { useQueries } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { call } from '../../api'
import { ContentView, type FileSource } from '../../quizzes/ContentView'
import { useQuizDraft } from '../../quizzes/queries'
import { RightAnswer } from '../../quizzes/RightAnswer'
import { AnswerTo } from '../../quizzes/taking/answers/AnswerTo'
import { RepliesTo } from '../../quizzes/taking/replies/repliesHere'
import { VerdictMark } from '../../quizzes/verdictWords'
import { Button, ButtonLink, Failed, Loaded, Message, TitleLine } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { sourceOfBank, sourceOfDraft } from './filesOfQuiz'
import { useTriedReplies } from './useTriedReplies'
import type { QuizDraft } from './useQuizWriting'

/** An author tries what stands in the draft, with the questions that a draw brings. It is marked here: who writes the answers may see them. Nothing of it
 * goes on record. */
export function TryQuizPage() {
  const { id } = useIds<{ id: QuizId }>()
  return <Loaded query={useQuizDraft(id)}>{(draft) => <WithBanks key={draft.revision} draft={draft} />}</Loaded>
}

const banksIn = ({ document }: QuizDraft): BankId[] => [
  ...new Set(document.parts.flatMap((part) => (part.part === 'draw' ? [part.bankId] : []))),
]

/** The draft with the banks from which it draws, as they are now. */
function WithBanks({ draft }: { draft: QuizDraft }) {
  const { t } = useTexts()
  const ids = banksIn(draft)
  const banks = useQueries({
    queries: ids.map((id) => ({
      queryKey: ['bank-tried', id],
      gcTime: 0,
      queryFn: ({ signal }: { signal: AbortSignal }) => call(getBank, { params: { id }, signal }),
    })),
  })
  const failed = banks.find(({ isError }) => isError)
  if (failed) return <Failed error={failed.error} />
  if (banks.some(({ data }) => data === undefined)) return <p className="p-6">{t('The question banks are coming …')}</p>
  const pools = banks.flatMap(({ data }, n) =>
    data ? [{ bankId: ids[n]!, title: data.document.title, questions: data.document.questions }] : [],
  )
  return <Trying draft={draft} pools={pools} />
}

type Pools = QuizEdition['pools']
type Tried = { question: Question; source: FileSource }

/** The questions of one draw that are finished, and where the files of each are. */
function useDraw(draft: QuizDraft, pools: Pools, seed: number): { tried: Tried[]; unfinished: number } {
  return useMemo(() => {
    const drawn = drawQuestions({ document: draft.document, pools }, seed, new Map())
    const bankOf = new Map(pools.flatMap(({ bankId, questions }) => questions.map(({ id }) => [id, bankId] as const)))
    const tried = drawn.filter((question) => questionLacks(question) === null)
    return {
      unfinished: drawn.length - tried.length,
      tried: tried.map((question): Tried => {
        const bankId = bankOf.get(question.id)
        return {
          question,
          source: bankId === undefined ? sourceOfDraft(draft.id) : sourceOfBank(bankId),
        }
      }),
    }
  }, [draft, pools, seed])
}

function Trying({ draft, pools }: { draft: QuizDraft; pools: Pools }) {
  const { t } = useTexts()
  const [seed, setSeed] = useState(1)
  const [answers, setAnswers] = useState<ReadonlyMap<QuestionId, Answer>>(new Map())
  const [marks, setMarks] = useState<ReadonlyMap<QuestionId, Mark> | null>(null)
  const [kept] = useState(pools)
  const { tried, unfinished } = useDraw(draft, kept, seed)
  const { document } = draft
  const again = () => {
    setSeed(seed + 1)
    setAnswers(new Map())
    setMarks(null)
    window.scrollTo(0, 0)
  }
  const mark = () => {
    const marking = { language: navigator.language }
    setMarks(new Map(tried.map(({ question }) => [question.id, markOf(question, answers.get(question.id) ?? null, marking)])))
    window.scrollTo(0, 0)
  }
  const answer = (id: QuestionId, given: Answer | null) =>
    setAnswers((before) => {
      const next = new Map(before)
      if (given === null) next.delete(id)
      else next.set(id, given)
      return next
    })
  return (
    <>
      <title>{`${document.title} – Jackdaw`}</title>
      <TitleLine
        where={{ to: `/quizzes/${draft.id}/edit`, name: t('Edit the quiz') }}
        title={document.title}
        state={t('Tried by its author: nothing of it goes on record.')}
      >
        <Button onClick={again}>{t('Once more, with another draw')}</Button>
        <ButtonLink to={`/quizzes/${draft.id}/edit`}>{t('Back to the bench')}</ButtonLink>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-[760px] mx-auto space-y-6">
          {unfinished > 0 && <Message tone="warn" title={t('{{count}} questions are not finished and left out', { count: unfinished })} />}
          {marks && <Outcome marks={[...marks.values()]} passMark={document.passMark} />}
          <ol>
            {tried.map(({ question, source }, n) => (
              <TriedQuestion
                key={`${seed} ${question.id}`}
                {...{ question, source, seed }}
                number={n + 1}
                order={document.answerOrder}
                answer={answers.get(question.id) ?? null}
                mark={marks?.get(question.id) ?? null}
                onAnswer={(given) => answer(question.id, given)}
              />
            ))}
          </ol>
          {tried.length === 0 && <p>{t('There is no question in it yet.')}</p>}
          {tried.length > 0 && marks === null && (
            <Button look="primary" className="min-h-14 px-8 text-lg" onClick={mark}>
              {t('Mark it')}
            </Button>
          )}
        </div>
      </div>
    </>
  )
}

function Outcome({ marks, passMark }: { marks: readonly Mark[]; passMark: number }) {
  const { t } = useTexts()
  const counted = marks.filter(({ verdict }) => verdict !== 'waits')
  const score = counted.length === 0 ? null : scoreOf(counted, passMark)
  const waits = counted.length < marks.length && t('What a person judges is not counted in it.')
  if (!score) return waits ? <Message tone="note" title={waits} /> : null
  return (
    <div role="status">
      <Message
        tone={score.passed ? 'good' : 'warn'}
        title={
          score.passed
            ? t('{{percent}} %: it would be passed', { percent: score.percent })
            : t('{{percent}} %: it would not be passed; {{mark}} % are needed', { percent: score.percent, mark: passMark })
        }
      >
        {waits}
      </Message>
    </div>
  )
}

type TriedProps = Tried & {
  number: number
  seed: number
  order: QuizDraft['document']['answerOrder']
  answer: Answer | null
  mark: Mark | null
  onAnswer: (answer: Answer | null) => void
}
function TriedQuestion({ question, source, number, seed, order, answer, mark, onAnswer }: TriedProps) {
  const { t } = useTexts()
  const { replies, source: here } = useTriedReplies(source, (given) => onAnswer({ kind: 'recorded', answer: given }))
  const asked = useMemo(() => askedOf(question, { answerOrder: order }, seed), [question, order, seed])
  return (
    <li className="border-b border-hair py-6 space-y-4">
      <div className="flex flex-wrap items-center gap-x-4">
        <h2 className="text-sm font-semibold text-soft">{t('Question {{n}}', { n: number })}</h2>
        {mark && <VerdictMark verdict={mark.verdict} />}
      </div>
      <ContentView content={question.prompt} source={source} className="text-lg" />
      <RepliesTo value={replies}>
        <AnswerTo question={asked} answer={answer} disabled={mark !== null} source={here} onAnswer={onAnswer} />
      </RepliesTo>
      {mark && (
        <div className="border-l-4 border-moss pl-4 space-y-2">
          {kindOf(question.kind).judgedBy === 'rules' && (
            <>
              <h3 className="text-sm font-semibold">{t('What is right')}</h3>
              <RightAnswer question={question} source={source} />
            </>
          )}
          {!isBlank(question.explanation) && <ContentView content={question.explanation} source={source} />}
        </div>
      )}
    </li>
  )
}
