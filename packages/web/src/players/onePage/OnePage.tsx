import type { QuizAmongSteps, ReaderEdition } from '@jackdaw/contracts/reading'
import { END, indexOf, numberAt } from '@jackdaw/core/flow'
import { stepsOf, type Step } from '@jackdaw/core/guides'
import { keysOf } from '@jackdaw/core/shared'
import { canFinish, choicesAt, isClosed, isWaiting, openTo, type Play, type PlayerState } from '@jackdaw/core/players'
import { Check, Lock } from 'lucide-react'
import { memo, useCallback, useMemo, useRef } from 'react'
import { usePreferredSides } from '../../annotations'
import { useLook } from '../../annotations/useLook'
import { Button, TextButton } from '../../ui'
import { useTexts, type Texts } from '../../ui/words/texts'
import { GuideHead } from '../GuideHead'
import { Closing } from '../reader/Closing'
import type { Doing } from '../usePlayer'
import { sameWhereverOneIs } from '../whereverOneIs'
import { closedRuns } from './closedRuns'
import { PageStep, type AtStep } from './PageStep'
import { scrollToPlace } from './scrollToPlace'
import { useMore } from './useMore'
import { usePageReading } from './usePageReading'

type Props = {
  edition: ReaderEdition
  play: Play
  state: PlayerState
  act: (doing: Doing) => void
  quizzes: readonly QuizAmongSteps[]
  /** Leads to a quiz, which is taken by itself. */
  onQuiz: (id: string) => void
  printing: boolean
}

/** What is done at steps of the page; the same as long as the guide is. */
function useAtStep(play: Play, state: PlayerState, act: Props['act']): AtStep {
  const now = useRef({ play, state })
  now.current = { play, state }
  return useCallback(
    (id, does) => {
      act({ type: 'look', id })
      if (does === 'acknowledge') act({ type: 'acknowledge' })
      else if (does === 'confirm') act({ type: 'confirm', stays: true })
      else {
        const { play: here, state: at } = now.current
        const way = choicesAt(here, { ...at, at: id })?.ways.find((each) => each.id === does.choose)
        if (way) scrollToPlace(here.script.steps[way.to]?.id ?? END)
      }
    },
    [act],
  )
}

/** Whether the page looks alike with both: where somebody looks just now changes nothing on it. */
const looksAlike = (before: Props, now: Props): boolean =>
  keysOf(now).every((key) => (key === 'state' ? sameWhereverOneIs(before.state, now.state) : now[key] === before[key]))

/** A guide as one page: everything one under another, what is closed shown as closed. */
export const OnePage = memo(function OnePage({ edition, play, state, act, quizzes, onQuiz, printing }: Props) {
  const { t } = useTexts()
  const { document } = edition
  const look = useLook(document.look)
  const sides = usePreferredSides(document, edition.pictureSizes, look)
  const root = useRef<HTMLDivElement>(null)
  const heading = useRef<HTMLHeadingElement>(null)
  const steps = useMemo(() => stepsOf(document), [document])
  const open = openTo(play, state)
  const whole = closedRuns(document.items, open)
  const page = whole.slice(0, useMore(whole.length, printing))
  const shown = page.map((each) => (each.is === 'open' ? each.item.id : '')).join(' ')
  usePageReading(root, steps, shown, act)
  const atStep = useAtStep(play, state, act)
  const confirmFor = (step: Step) => (!play.script.confirmSteps ? 'none' : state.confirmed.includes(step.id) ? 'done' : 'asked')
  return (
    <div ref={root}>
      <h1 className="sr-only">{document.title}</h1>
      <GuideHead edition={edition} look={look} />
      {document.summary && <p className="text-soft border-l-2 border-hair pl-3 mb-4">{document.summary}</p>}
      <div className="page-ruler border-l-2 border-ink pl-1">
        {page.map((each) => {
          if (each.is === 'heading')
            return (
              <h2 key={each.section.id} className="font-semibold text-xl pt-6 pb-1 flex items-center gap-3">
                <span className="h-0.5 w-8 bg-ink -ml-1" aria-hidden />
                {each.section.title}
              </h2>
            )
          if (each.is === 'closed') return <ClosedRun key={each.key} run={each} why={whyClosed(play, state, open)} />
          if (each.item.kind === 'quiz')
            return (
              <QuizLine
                key={each.item.id}
                id={each.item.id}
                quiz={quizzes.find(({ guideQuizId }) => guideQuizId === each.item.id)}
                onQuiz={onQuiz}
              />
            )
          const { item: step, n } = each
          return (
            <PageStep
              key={step.id}
              {...{ edition, step, n, look, printing, atStep }}
              prefer={sides.get(step.id) ?? null}
              waiting={isWaiting(play, state, step.id)}
              confirm={confirmFor(step as Step)}
              choices={step.flow ? choicesAt(play, { ...state, at: step.id }) : null}
            />
          )
        })}
      </div>
      <div id="step-end" className="scroll-mt-20 print:hidden" data-end>
        {page.length === whole.length && (open.has(END) || state.finished) && (
          <>
            <Closing
              {...{ edition, play, state, steps, quizzes, heading }}
              act={(doing) => (doing.type === 'go' ? scrollToPlace(doing.to) : act(doing))}
            />
            {!state.finished && (
              <Button
                look="primary"
                className="min-h-14 px-6 text-lg"
                disabled={!canFinish(play, state)}
                onClick={() => {
                  act({ type: 'go', to: END })
                  act({ type: 'finish' })
                }}
              >
                <Check size={20} aria-hidden />
                {t('Done')}
              </Button>
            )}
          </>
        )}
      </div>
    </div>
  )
}, looksAlike)

type Why = { id: string; n: number; by: 'caution' | 'confirmation' | 'quiz' }
/** The last open place that keeps what follows closed, and by what. */
function whyClosed(play: Play, state: PlayerState, open: ReadonlySet<string>): Why | null {
  const at = play.script.steps.findLast(({ id }) => open.has(id) && isClosed(play, state, id))
  if (!at) return null
  const n = numberAt(play.script, indexOf(play.script, at.id))
  return { id: at.id, n, by: at.quiz !== null ? 'quiz' : isWaiting(play, state, at.id) ? 'caution' : 'confirmation' }
}
const whyWords = (why: Why | null, t: Texts['t']): string => {
  switch (why?.by) {
    case 'caution':
      return t('First say that you have read the caution of step {{n}}.', { n: why.n })
    case 'confirmation':
      return t('First confirm step {{n}}.', { n: why.n })
    case 'quiz':
      return t('First the quiz: going on depends on it.')
    default:
      return t('No way through the guide leads there for you.')
  }
}

/** Steps that are closed, and what opens them. */
function ClosedRun({ run, why }: { run: { from: number; to: number; steps: number }; why: Why | null }) {
  const { t } = useTexts()
  return (
    <section className="my-4 ml-10 border border-hair bg-page p-4" data-closed>
      <p className="font-semibold flex items-center gap-2">
        <Lock size={17} aria-hidden />
        {run.from === run.to ? t('Step {{n}} is closed', { n: run.from }) : t('Steps {{from}} to {{to}} are closed', run)}
      </p>
      <p className="text-soft">
        {whyWords(why, t)}{' '}
        {why && (
          <TextButton className="print:hidden" onClick={() => scrollToPlace(why.id)}>
            {why.by === 'quiz' ? t('To the quiz') : t('To step {{n}}', { n: why.n })}
          </TextButton>
        )}
      </p>
    </section>
  )
}

/** A quiz among the steps: how far one is with it, and the way to it. */
function QuizLine({ id, quiz, onQuiz }: { id: string; quiz: QuizAmongSteps | undefined; onQuiz: Props['onQuiz'] }) {
  const { t } = useTexts()
  return (
    <section id={`step-${id}`} className="my-4 ml-10 border-l-4 border-petrol bg-page p-4 scroll-mt-20" data-quiz={id}>
      <p className="font-semibold">{quiz ? t('Quiz: {{title}}', { title: quiz.title }) : t('A quiz stands here')}</p>
      {quiz && (
        <p className="text-soft">
          {quiz.settled
            ? t('It keeps nothing closed for you.')
            : quiz.need === 'passed'
              ? t('Pass it before you go on.')
              : t('Hand it in before you go on.')}{' '}
          <TextButton className="print:hidden" onClick={() => onQuiz(id)}>
            {t('To the quiz')}
          </TextButton>
        </p>
      )}
    </section>
  )
}
