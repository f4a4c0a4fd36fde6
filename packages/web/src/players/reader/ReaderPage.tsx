import { type GuideId, nth } from '@jackdaw/core/shared'
import { useIds } from '../../ui/search/useIds'
import { getMe, type Me } from '@jackdaw/contracts/people'
import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { darkened } from '@jackdaw/core/annotations'
import { PLAIN_LOOK, stepsOf, type GuideDocument, type Look, type Step } from '@jackdaw/core/guides'
import { waysOf } from '@jackdaw/core/players'
import { ListOrdered } from 'lucide-react'
import { Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useSearchParams } from 'react-router'
import { useLook } from '../../annotations/useLook'
import { firstAnswer, queryClient } from '../../api'
import { IconButton, lazyPart, Message, TextButton, Waiting } from '../../ui'
import { meQuery } from '../../people'
import { FavouriteMark, useFavourite } from '../../items'
import { useKeys } from '../../ui/keys/useKeys'
import { Closing } from './Closing'
import { FlatRuler } from '../FlatRuler'
import { preloadSigns } from '../GuideHead'
import { placeAt, ReaderBar } from './ReaderBar'
import { ReaderColumn, UseMenu } from './ReaderColumn'
import { useIsGuest } from '../readBy'
import { DRAFT } from '../used'
import { PersonsEdition } from '../PersonsEdition'
import { useReading } from '../useReading'
import { usePicturesAhead } from '../picture/usePicturesAhead'
import { showWaitedFor, waitsFor } from '../waitsFor'
import { NotReadyStrip, StepPicturesView, StepSafetyView, WaysOn } from './parts'
import { QuizPreviewed, type QuizHere } from './QuizHere'
import { StepView } from './StepView'
import { scrollToPlace } from '../onePage/scrollToPlace'
import { usePrinting } from './usePrinting'
import { useTurning } from './useTurning'
import { useView, type View } from './useView'

const AskedInGuide = lazyPart(async () => (await import('../../surveys/AskedInGuide')).AskedInGuide)
const OnePage = lazyPart(async () => (await import('../onePage/OnePage')).OnePage)

const VIEW_WAIT_MS = 1_500
/** Fetches what a guide is read with by whoever reads it as one page; where that takes long the page begins without. */
export async function viewAhead(): Promise<void> {
  const me = queryClient.getQueryData<Me | null>(meQuery.queryKey) ?? firstAnswer(getMe)
  if (me?.readsAsPage) await Promise.race([OnePage.preload(), new Promise((resolve) => setTimeout(resolve, VIEW_WAIT_MS))])
}

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
  return (
    <PersonsEdition id={id}>
      {(edition) => <Reader key={`${edition.guideId} ${edition.edition}`} {...{ edition, QuizHere }} />}
    </PersonsEdition>
  )
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
function useStepInAddress(off: boolean, go: (id: string) => void): void {
  const [search, setSearch] = useSearchParams()
  const step = search.get('step')
  useEffect(() => {
    if (!step || off) return
    go(step)
    setSearch({}, { replace: true })
  }, [step, off, setSearch])
}

/** Where somebody is in the guide and how they turn its steps. `waits`: what a step waits for that somebody wanted to leave. */
function useReader(edition: ReaderEdition) {
  const { t } = useTexts()
  const { view, choose } = useView(edition)
  const asPage = view === 'page'
  const reading = useReading(edition, asPage)
  const { play, state, act } = reading
  const go = useCallback((id: string) => (asPage ? scrollToPlace(id) : act({ type: 'go', to: id })), [asPage, act])
  useStepInAddress(edition.edition === DRAFT, go)
  const [waits, setWaits] = useState('')
  const [busy, setBusy] = useState(false)
  useEffect(() => setWaits(''), [state.at])
  const turn = (by: 1 | -1) => {
    if (busy || asPage) return
    const held = by === 1 ? waitsFor(play, state, t) : null
    setWaits(held?.words ?? '')
    if (held) showWaitedFor(held.press)
    else act({ type: by === 1 ? 'next' : 'back' })
  }
  const swipe = useTurning(turn, asPage)
  const heading = useRef<HTMLHeadingElement>(null)
  const moved = useRef(state.at)
  useEffect(() => {
    if (moved.current === state.at) return
    moved.current = state.at
    if (asPage) return
    heading.current?.focus({ preventScroll: true })
    window.scrollTo({ top: 0 })
  }, [state.at, asPage])
  /** Leads to a quiz, which is taken by itself. */
  const toQuiz = useCallback(
    (id: string) => {
      act({ type: 'go', to: id })
      choose('steps', false)
    },
    [act, choose],
  )
  const steps = useMemo(() => stepsOf(edition.document), [edition])
  const byId = useMemo(() => new Map(steps.map((each) => [each.id, each])), [steps])
  const ids = useMemo(() => play.script.steps.map((each) => each.id), [play])
  usePicturesAhead(edition, ids, state.at, byId, 'screen')
  const quiz = reading.quizzes.find(({ guideQuizId }) => guideQuizId === state.at)
  return {
    ...reading,
    steps,
    step: steps.find(({ id }) => id === state.at),
    quiz,
    waits,
    busy,
    setBusy,
    swipe,
    heading,
    view,
    choose,
    go,
    toQuiz,
  }
}

/** An edition, or a draft that is tried, as it is read. */
export function Reader({ edition, QuizHere = QuizPreviewed }: { edition: ReaderEdition; QuizHere?: QuizHere }) {
  const { t } = useTexts()
  const reader = useReader(edition)
  const { play, state, act, startedFrom, quizzes, steps, waits, busy, swipe, view, choose, go, toQuiz } = reader
  const [rulerOpen, setRulerOpen] = useState(false)
  const pick = useCallback(
    (id: string) => {
      setRulerOpen(false)
      go(id)
    },
    [go],
  )
  const showView = useCallback(
    (next: View, remembered = true) => {
      choose(next, remembered)
      // What is shown alone is seen.
      if (next === 'steps') act({ type: 'read', id: state.at })
    },
    [act, state.at],
  )
  const { printing, print } = usePrinting(view, showView)
  const at = placeAt(play, state.at)
  const { document } = edition
  const look = useLook(document.look)
  const favourite = useFavourite(edition.guideId, edition.favourite)
  const alone = useIsGuest() || edition.edition === DRAFT
  useKeys(alone ? {} : { favourite: favourite.toggle })
  const ways = useMemo(() => (alone ? [] : waysOf(document)), [alone, document])
  usePartsAhead(document, ways.length)
  return (
    <div
      style={lookStyle(look)}
      className="grow flex flex-col lg:grid lg:grid-cols-[264px_minmax(0,1fr)] w-full [touch-action:pan-y_pinch-zoom]"
      {...swipe}
    >
      <title>{`${document.title} – Jackdaw`}</title>
      <ReaderColumn
        {...{ edition, play, state, quizzes, ways, favourite, view }}
        onView={showView}
        onPrint={print}
        open={rulerOpen}
        onPick={pick}
        onClose={() => setRulerOpen(false)}
      />
      <div className="grow flex flex-col bg-sheet min-w-0">
        <div className="lg:hidden print:hidden px-4 py-2 flex items-center gap-3">
          <span className="text-sm text-soft truncate grow">{document.title}</span>
          {!alone && <FavouriteMark {...favourite} className="min-h-11 min-w-11" />}
          {view === 'page' && (
            <IconButton name={t('All steps')} className="min-h-11 min-w-11" onClick={() => setRulerOpen(true)}>
              <ListOrdered size={18} aria-hidden />
            </IconButton>
          )}
          {ways.length > 1 && (
            <Suspense>
              <UseMenu guideId={edition.guideId} ways={ways} place="top" />
            </Suspense>
          )}
        </div>
        <FlatRuler {...{ play, state }} />
        <article className="reading-sheet grow w-full max-w-[860px] mx-auto px-4 md:px-8 pt-4 pb-32" aria-live="polite">
          {(state.at === startedFrom || view === 'page') && (
            <Welcome edition={edition} onBegin={at > 0 && at < play.script.steps.length ? () => go(nth(steps, 0).id) : null} />
          )}
          {view === 'page' ? (
            <Suspense fallback={<Waiting />}>
              <OnePage {...{ edition, play, state, act, quizzes, printing }} onQuiz={toQuiz} />
            </Suspense>
          ) : (
            <AtPlace {...{ edition, reader, QuizHere }} />
          )}
          {!alone && <Asked guideId={edition.guideId} at={state.at} through={state.finished} asPage={view === 'page'} />}
        </article>
        {!busy && view === 'steps' && <ReaderBar {...{ play, state, act, waits }} openRuler={() => setRulerOpen(true)} />}
      </div>
    </div>
  )
}

/** What is asked at the steps; it is fetched when the page is at rest, as hardly ever is anything asked. */
function Asked(of: Parameters<typeof AskedInGuide>[0]) {
  const [rests, setRests] = useState(false)
  useEffect(() => void AskedInGuide.preloadAtRest().then(() => setRests(true)), [])
  if (!rests) return null
  return (
    <Suspense>
      <AskedInGuide {...of} />
    </Suspense>
  )
}

/** Where somebody is: a step, a quiz, or the end. */
function AtPlace({ edition, reader, QuizHere }: { edition: ReaderEdition; reader: ReturnType<typeof useReader>; QuizHere: QuizHere }) {
  const { t } = useTexts()
  const { play, state, act, quizzes, steps, step, quiz, setBusy, heading } = reader
  if (step)
    return (
      <StepView
        {...{ play, state, act, edition, step, heading }}
        n={steps.indexOf(step) + 1}
        of={steps.length}
        section={sectionAt(edition, step)}
      />
    )
  if (play.script.steps[placeAt(play, state.at)]?.quiz != null)
    return (
      <Suspense fallback={<p className="text-soft">{t('The quiz is coming …')}</p>}>
        <QuizHere key={state.at} {...{ edition, quiz, at: state.at, heading }} onBusy={setBusy} />
      </Suspense>
    )
  return <Closing {...{ edition, play, state, steps, quizzes, act, heading }} />
}

/** What somebody is told where they come in: that they go on, or have to read it again. @param onBegin leads to the first step */
function Welcome({ edition, onBegin }: { edition: ReaderEdition; onBegin: (() => void) | null }) {
  const { t } = useTexts()
  return (
    <>
      {onBegin && (
        <p className="text-sm text-soft mb-2 print:hidden">
          {t('You go on where you were.')} <TextButton onClick={onBegin}>{t('Begin at step 1')}</TextButton>
        </p>
      )}
      <Printed edition={edition} />
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

/** Whoever comes by the code on a print is told whether its edition still holds. */
function Printed({ edition: { edition } }: { edition: ReaderEdition }) {
  const { t } = useTexts()
  const [search] = useSearchParams()
  const printed = Number(search.get('printed') ?? '')
  if (!Number.isInteger(printed) || printed < 1 || edition === DRAFT) return null
  if (printed === edition)
    return <p className="mb-4 text-moss font-semibold print:hidden">✓ {t('Your print is of this edition. It still holds.')}</p>
  return (
    <div className="mb-4">
      <Message
        tone="warn"
        title={
          printed > edition
            ? t('Your print is of edition {{printed}}, which has been withdrawn. Edition {{edition}} holds.', { printed, edition })
            : t('Your print is of edition {{printed}}. Edition {{edition}} holds now.', { printed, edition })
        }
      >
        {t('Read what is here, and throw the print away.')}
      </Message>
    </div>
  )
}
