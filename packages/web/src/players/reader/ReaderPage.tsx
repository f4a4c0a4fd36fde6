import { type GuideId, nth } from '@jackdaw/core/shared'
import { useIds } from '../../ui/search/useIds'
import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { darkened } from '@jackdaw/core/annotations'
import { PLAIN_LOOK, stepName, stepsOf, type GuideDocument, type Look, type Step } from '@jackdaw/core/guides'
import { choicesAt, safetyAt, waysOf, type Play, type PlayerState } from '@jackdaw/core/players'
import { Suspense, useEffect, useMemo, useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useSearchParams } from 'react-router'
import { useLook } from '../../annotations/useLook'
import { RichTextView } from '../../guides/RichTextView'
import { SomethingWrong } from '../../remarks/SomethingWrong'
import { lazyPart, Loaded, Message, TextButton } from '../../ui'
import { FavouriteMark, useFavourite } from '../../items'
import { useKeys } from '../../ui/keys/useKeys'
import { Closing } from './Closing'
import { FlatRuler } from '../FlatRuler'
import { GuideHead, preloadSigns } from '../GuideHead'
import { placeAt, ReaderBar } from './ReaderBar'
import { ReaderColumn, UseMenu } from './ReaderColumn'
import { DRAFT } from '../used'
import type { Doing } from '../usePlayer'
import { useReaderEdition, useReading } from '../useReading'
import { usePicturesAhead } from '../picture/usePicturesAhead'
import { showWaitedFor, waitsFor } from '../waitsFor'
import { useTurning } from './useTurning'

// Text can be read before the rest comes. All that a guide needs is asked for once its first page stands.
const StepPicturesView = lazyPart(async () => (await import('./StepPicturesView')).StepPicturesView)
const NotReadyStrip = lazyPart(async () => (await import('../../guides/NotReadyStrip')).NotReadyStrip)
const WaysOn = lazyPart(async () => (await import('../WaysOn')).WaysOn)
const StepSafetyView = lazyPart(async () => (await import('../safety/StepSafetyView')).StepSafetyView)

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

export function ReaderPage() {
  const { id } = useIds<{ id: GuideId }>()
  const query = useReaderEdition(id)
  return <Loaded query={query}>{(edition) => <Reader key={`${edition.guideId} ${edition.edition}`} edition={edition} />}</Loaded>
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
  useEffect(() => setWaits(''), [state.at])
  const turn = (by: 1 | -1) => {
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
  return { ...reading, steps, waits, swipe, heading }
}

/** An edition, or a draft that is tried, as it is read. */
export function Reader({ edition }: { edition: ReaderEdition }) {
  const { play, state, act, startedFrom, steps, waits, swipe, heading } = useReader(edition)
  const [rulerOpen, setRulerOpen] = useState(false)
  const pick = (id: string) => {
    act({ type: 'go', to: id })
    setRulerOpen(false)
  }
  const at = placeAt(play, state.at)
  const step = steps[at]
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
      <ReaderColumn {...{ edition, play, state, ways, favourite }} open={rulerOpen} onPick={pick} onClose={() => setRulerOpen(false)} />
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
            <StepView {...{ play, state, act, at, edition, step, heading }} of={steps.length} section={sectionAt(edition, step)} />
          ) : (
            <Closing {...{ edition, play, state, steps, act, heading }} />
          )}
        </article>
        <ReaderBar {...{ play, state, act, waits }} openRuler={() => setRulerOpen(true)} />
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

type Heading = React.RefObject<HTMLHeadingElement | null>

type StepViewProps = {
  play: Play
  state: PlayerState
  act: (doing: Doing) => void
  edition: ReaderEdition
  step: Step
  at: number
  of: number
  section: string
  heading: Heading
}

function StepView(props: StepViewProps) {
  const { edition, step, at, of, section, heading } = props
  const { t } = useTexts()
  const look = useLook(edition.document.look)
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="text-sm text-soft font-normal mb-2 outline-none">
        {t('Step {{n}} of {{of}}', { n: at + 1, of })}
        {section && (
          <>
            {' '}
            · <span className="font-semibold text-ink">{section}</span>
          </>
        )}
        <span className="sr-only">: {stepName(step)}</span>
      </h1>
      {at === 0 && <GuideHead edition={edition} look={look} />}
      {at === 0 && edition.document.summary && <p className="text-soft border-l-2 border-hair pl-3 mb-4">{edition.document.summary}</p>}
      {step.notReady && (
        <Suspense>
          <NotReadyStrip why={step.notReadyWhy ?? ''} />
        </Suspense>
      )}
      <Safety {...props} />
      <RichTextView text={step.body} className="reader-text" />
      {step.pictures.length > 0 && (
        <Suspense fallback={<p className="mt-5 text-soft">{t('The picture is coming …')}</p>}>
          <StepPicturesView edition={edition} step={step} look={look} />
        </Suspense>
      )}
      <AfterStep {...props} />
    </>
  )
}

/** The cautions and signs of the step; those of the whole guide stand in its head. */
function Safety({ edition, step, play, state, act }: StepViewProps) {
  const { t } = useTexts()
  const safety = safetyAt(edition.document, play, state)
  if (!safety || (safety.cautions.length === 0 && safety.signs.length === 0)) return null
  return (
    <div className="mb-5">
      <Suspense fallback={<p role="status">{t('Cautions are coming …')}</p>}>
        <StepSafetyView stepId={step.id} safety={{ ...safety, guideSigns: [] }} onAcknowledge={() => act({ type: 'acknowledge' })} />
      </Suspense>
    </div>
  )
}

/** What can be done at the step besides going on. */
function AfterStep({ edition, step, at, play, state, act }: StepViewProps) {
  const { t } = useTexts()
  const choices = choicesAt(play, state)
  return (
    <>
      {play.script.steps[at]?.optional && (
        <p className="mt-5 text-soft">
          {t('You may leave this section out.')}{' '}
          <TextButton onClick={() => act({ type: 'skip-section' })}>{t('Go on after it')}</TextButton>
        </p>
      )}
      {edition.edition !== DRAFT && (
        <SomethingWrong className="mt-6" about={{ guideId: edition.guideId, edition: edition.edition, stepId: step.id, way: 'read' }} />
      )}
      {choices && (
        <Suspense>
          <WaysOn ask={choices.ask} ways={choices.ways} onChoose={(id) => act({ type: 'choose', id })} />
        </Suspense>
      )}
    </>
  )
}
