import { type GuideId, nth } from '@jackdaw/core/shared'
import { useIds } from '../../ui/search/useIds'
import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { darkened } from '@jackdaw/core/annotations'
import { PLAIN_LOOK, stepsOf, type GuideDocument, type Look, type Step } from '@jackdaw/core/guides'
import { waysOf } from '@jackdaw/core/players'
import { Suspense, useEffect, useMemo, useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useSearchParams } from 'react-router'
import { useLook } from '../../annotations/useLook'
import { Loaded, Message, TextButton } from '../../ui'
import { FavouriteMark, useFavourite } from '../../items'
import { useKeys } from '../../ui/keys/useKeys'
import { Closing } from './Closing'
import { FlatRuler } from '../FlatRuler'
import { preloadSigns } from '../GuideHead'
import { placeAt, ReaderBar } from './ReaderBar'
import { ReaderColumn, UseMenu } from './ReaderColumn'
import { DRAFT } from '../used'
import type { Doing } from '../usePlayer'
import { useReaderEdition, useReading } from '../useReading'
import { usePicturesAhead } from '../picture/usePicturesAhead'
import { showWaitedFor, waitsFor } from '../waitsFor'
import { NotReadyStrip, StepPicturesView, StepSafetyView, WaysOn } from './parts'
import { QuizPreviewed, type QuizHere } from './QuizHere'
import { StepView } from './StepView'
import { useTurning } from './useTurning'

/** Loads what the steps of a guide need to be shown, while there is a network. */
function usePartsAhead(document: GuideDocument, ways: number): void {
  useEffect(() => {
    const steps = stepsOf(document)
    if (steps.some((step) => step.cautions?.length || step.signs?.length)) void StepSafetyView.preloadAtRest()
    if (document.signs.length > 0) void preloadSigns()
    if (steps.some((step) => step.pictures.length > 0)) void StepPicturesView.preloadAtRest()
    if (steps.some((step) => step.notReady)) void NotReadyStrip.preloadAtRest()
    if (steps.some((step) => step.flow)) void WaysOn.preloadAtRest()
    if (ways > 1) void UseMenu.preloadAtRest()
  }, [document, ways])
}

/** A guide as it is read. @param QuizHere how a quiz among its steps is taken */
export function ReaderPage({ QuizHere }: { QuizHere: QuizHere }) {
  const { id } = useIds<{ id: GuideId }>()
  const query = useReaderEdition(id)
  return <Loaded query={query}>{(edition) => <Reader key={`${edition.guideId} ${edition.edition}`} {...{ edition, QuizHere }} />}</Loaded>
}

const sectionAt = ({ document }: ReaderEdition, step: Step | undefined): string => {
  let section = ''
  for (const item of document.items) {
    if (item.kind === 'section') section = item.title
    else if (item === step) return section
  }
  return ''
}

/** The company's colour takes the place of petrol, dark enough to be read; its type is that of the text. */
const lookStyle = (look: Look): React.CSSProperties => ({
  ...(look.colour === PLAIN_LOOK.colour
    ? {}
    : { '--color-petrol': darkened(look.colour, 4.5), '--color-petrol-dark': darkened(look.colour, 8) }),
  '--guide-font': look.type === 'serif' ? 'var(--font-serif)' : 'var(--font-sans)',
})

/** Goes to the step that the address names, or as near to it as is open; once for each time that it is named. */
function useStepInAddress(off: boolean, act: (doing: Doing) => void): void {
  const [search, setSearch] = useSearchParams()
  const step = search.get('step')
  useEffect(() => {
    if (!step || off) return
    act({ type: 'go', to: step })
    setSearch({}, { replace: true })
  }, [step, off, act, setSearch])
}

/** Where somebody is in the guide and how they turn its steps. `waits`: what a step waits for that somebody wanted to leave. */
function useReader(edition: ReaderEdition) {
  const { t } = useTexts()
  const reading = useReading(edition)
  const { play, state, act } = reading
  useStepInAddress(edition.edition === DRAFT, act)
  const [waits, setWaits] = useState('')
  const [busy, setBusy] = useState(false)
  useEffect(() => setWaits(''), [state.at])
  const turn = (by: 1 | -1) => {
    if (busy) return
    const held = by === 1 ? waitsFor(play, state, t) : null
    setWaits(held?.words ?? '')
    if (held) showWaitedFor(held.press)
    else act({ type: by === 1 ? 'next' : 'back' })
  }
  const swipe = useTurning(turn)
  const heading = useRef<HTMLHeadingElement>(null)
  const moved = useRef(state.at)
  useEffect(() => {
    if (moved.current === state.at) return
    moved.current = state.at
    heading.current?.focus({ preventScroll: true })
    window.scrollTo({ top: 0 })
  }, [state.at])
  const steps = useMemo(() => stepsOf(edition.document), [edition])
  const byId = useMemo(() => new Map(steps.map((each) => [each.id, each])), [steps])
  const ids = useMemo(() => play.script.steps.map((each) => each.id), [play])
  usePicturesAhead(edition, ids, state.at, byId, 'screen')
  const quiz = reading.quizzes.find(({ guideQuizId }) => guideQuizId === state.at)
  return { ...reading, steps, step: steps.find(({ id }) => id === state.at), quiz, waits, busy, setBusy, swipe, heading }
}

/** An edition, or a draft that is tried, as it is read. */
export function Reader({ edition, QuizHere = QuizPreviewed }: { edition: ReaderEdition; QuizHere?: QuizHere }) {
  const { play, state, act, startedFrom, quizzes, steps, step, quiz, waits, busy, setBusy, swipe, heading } = useReader(edition)
  const { t } = useTexts()
  const [rulerOpen, setRulerOpen] = useState(false)
  const pick = (id: string) => {
    act({ type: 'go', to: id })
    setRulerOpen(false)
  }
  const at = placeAt(play, state.at)
  const isQuiz = play.script.steps[at]?.quiz != null
  const { document } = edition
  const look = useLook(document.look)
  const favourite = useFavourite(edition.guideId, edition.favourite)
  useKeys(edition.edition === DRAFT ? {} : { favourite: favourite.toggle })
  const ways = useMemo(() => (edition.edition === DRAFT ? [] : waysOf(document)), [edition.edition, document])
  usePartsAhead(document, ways.length)
  return (
    <div
      style={lookStyle(look)}
      className="grow flex flex-col lg:grid lg:grid-cols-[264px_minmax(0,1fr)] w-full [touch-action:pan-y_pinch-zoom]"
      {...swipe}
    >
      <title>{`${document.title} – Jackdaw`}</title>
      <ReaderColumn
        {...{ edition, play, state, quizzes, ways, favourite }}
        open={rulerOpen}
        onPick={pick}
        onClose={() => setRulerOpen(false)}
      />
      <div className="grow flex flex-col bg-sheet min-w-0">
        <div className="lg:hidden px-4 py-2 flex items-center gap-3">
          <span className="text-sm text-soft truncate grow">{document.title}</span>
          {edition.edition !== DRAFT && <FavouriteMark {...favourite} className="min-h-11 min-w-11" />}
          {ways.length > 1 && (
            <Suspense>
              <UseMenu guideId={edition.guideId} ways={ways} place="top" />
            </Suspense>
          )}
        </div>
        <FlatRuler {...{ play, state }} />
        <article className="grow w-full max-w-[860px] mx-auto px-4 md:px-8 pt-4 pb-32" aria-live="polite">
          {state.at === startedFrom && (
            <Welcome edition={edition} onBegin={at > 0 && step ? () => act({ type: 'go', to: nth(steps, 0).id }) : null} />
          )}
          {step ? (
            <StepView
              {...{ play, state, act, edition, step, heading }}
              n={steps.indexOf(step) + 1}
              of={steps.length}
              section={sectionAt(edition, step)}
            />
          ) : isQuiz ? (
            <Suspense fallback={<p className="text-soft">{t('The quiz is coming …')}</p>}>
              <QuizHere key={state.at} {...{ edition, quiz, at: state.at, heading }} onBusy={setBusy} />
            </Suspense>
          ) : (
            <Closing {...{ edition, play, state, steps, quizzes, act, heading }} />
          )}
        </article>
        {!busy && <ReaderBar {...{ play, state, act, waits }} openRuler={() => setRulerOpen(true)} />}
      </div>
    </div>
  )
}

/** What somebody is told where they come in: that they go on, or have to read it again. @param onBegin leads to the first step */
function Welcome({ edition, onBegin }: { edition: ReaderEdition; onBegin: (() => void) | null }) {
  const { t } = useTexts()
  return (
    <>
      {onBegin && (
        <p className="text-sm text-soft mb-2">
          {t('You go on where you were.')} <TextButton onClick={onBegin}>{t('Begin at step 1')}</TextButton>
        </p>
      )}
      {edition.progress.mustReread && (
        <div className="mb-4">
          <Message tone="warn" title={t('New edition {{n}}: please read it again', { n: edition.edition })}>
            {edition.changeNote}
          </Message>
        </div>
      )}
    </>
  )
}
