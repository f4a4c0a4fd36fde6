import { byId } from '@jackdaw/core/shared'
import type { KeptPlay } from '@jackdaw/contracts/players'
import { groundOf, middleOf, type Ground } from '@jackdaw/core/annotations'
import { countWords, plainText, stepsOf, type Step, type StepPicture } from '@jackdaw/core/guides'
import { END, indexOf } from '@jackdaw/core/flow'
import { choicesAt, isWaiting, PACES, spotsOf, timingOf, zoomOn, type Doing } from '@jackdaw/core/players'
import { ArrowLeft, ArrowRight, Captions, Pause, Play as PlayIcon } from 'lucide-react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useKeys } from '../../ui/keys/useKeys'
import { useTexts } from '../../ui/words/texts'
import { AnnotatedPicture } from '../../annotations'
import { useLook } from '../../annotations/useLook'
import { RichTextView } from '../../guides/RichTextView'
import { useMe } from '../../people'
import { Button, ButtonLink } from '../../ui'
import { Motion, typedAt } from '../motion/Motion'
import { ClosingWords } from '../ClosingWords'
import { Stage, type FlatMark } from '../picture/Stage'
import { aboutStep, stageSafety } from '../safety/stageSafety'
import { useClock, useLessMotion } from '../motion/useClock'
import { QuizFirst } from '../QuizFirst'
import { pictureAddress, playFor, type UsedGuide } from '../used'
import { usePicturesAhead } from '../picture/usePicturesAhead'
import { usePlay, type Playing } from '../usePlay'
import { showWaitedFor, waitsFor } from '../waitsFor'
import { whereWords } from '../whereWords'
import { WaysOn } from '../WaysOn'

/** The guide plays by itself: words, pointer, typing; slower or faster, with pauses where the person wants them. */
export function Watch({ guide, kept, from, onLeave }: { guide: UsedGuide; kept: KeptPlay | null; from?: string; onLeave: () => void }) {
  const { t } = useTexts()
  const me = useMe()
  const [play] = useState(() => playFor(guide, 'watch'))
  const playing = usePlay(guide, 'watch', play, kept, {
    personId: me.id,
    preview: guide.edition === null,
    onLeave,
    ...(from === undefined ? {} : { from }),
  })
  const { state, act } = playing
  const [pace, setPace] = useState(1)
  const [captions, setCaptions] = useState(true)
  const steps = useMemo(() => byId(stepsOf(guide.document)), [guide])
  const ids = useMemo(() => play.script.steps.map((each) => each.id), [play])
  usePicturesAhead(guide, ids, state.at, steps)
  const step = steps.get(state.at)
  const at = indexOf(play.script, state.at)
  const quiz = guide.quizzes.find(({ guideQuizId }) => guideQuizId === state.at)
  const doing = play.script.steps[at]?.doing ?? { kind: 'nothing' as const }
  const askOut = useCallback(() => act({ type: 'ask-out' }), [act])
  const stay = useCallback(() => act({ type: 'stay' }), [act])
  useWatchKeys(playing)
  return (
    <Stage
      way={t('Watch')}
      title={guide.document.title}
      where={step ? whereWords(t, guide, step, play.script, at) : quiz ? t('A quiz comes first') : t('At the end')}
      marks={play.script.steps.map(({ id }): FlatMark => ({
        id,
        state: id === state.at ? 'here' : state.seen.includes(id) ? 'done' : 'open',
      }))}
      leaving={state.leaving}
      notice={playing.notice}
      onAskOut={askOut}
      onStay={stay}
      onLeave={() => act({ type: 'leave' })}
      kept={guide.edition === null ? t('This is a preview. Nothing of it is kept.') : t('You can go on at this step later, on any device.')}
      safety={stageSafety(guide, playing)}
      about={aboutStep(guide, step, 'watch')}
      notReady={step?.notReady ? (step.notReadyWhy ?? '') : null}
      bar={<Bar {...{ playing, pace, captions }} atFirst={at === 0} onPace={setPace} onCaptions={() => setCaptions((now) => !now)} />}
    >
      {step ? (
        <Shown key={step.id} {...{ guide, step, doing, playing, pace, captions }} />
      ) : quiz ? (
        <QuizFirst {...{ quiz, guide, playing }} />
      ) : (
        <WatchEnd guide={guide} />
      )}
    </Stage>
  )
}

/** Space pauses and plays, the arrow keys turn the steps. */
function useWatchKeys({ act, state, play }: Playing): void {
  const { t } = useTexts()
  const next = () => {
    // Where it waits for somebody, the key leads to what it waits for.
    const held = isWaiting(play, state, state.at) || state.here.done ? waitsFor(play, state, t) : null
    if (held) showWaitedFor(held.press)
    else act({ type: 'next' })
  }
  useKeys(
    { pause: () => act({ type: state.paused ? 'play' : 'pause' }), next, back: () => act({ type: 'back' }) },
    { notIn: 'button, select, input, a, [role=dialog]' },
  )
}

type ShownProps = { guide: UsedGuide; step: Step; doing: Doing; playing: Playing; pace: number; captions: boolean }

/** How wide the picture and its box are, in CSS pixels. */
function useWidths(box: { current: HTMLElement | null }) {
  const [widths, setWidths] = useState({ shownPx: 0, boxPx: 1 })
  useEffect(() => {
    const measure = () =>
      setWidths({ shownPx: box.current?.querySelector('[data-picture]')?.clientWidth ?? 0, boxPx: box.current?.clientWidth || 1 })
    measure()
    window.addEventListener('resize', measure)
    return () => window.removeEventListener('resize', measure)
  }, [box])
  return widths
}

/** Where a step is in time: how long each part of it takes, and how much of it has passed. */
function useTiming({ step, doing, playing, pace }: ShownProps, waits: boolean) {
  const { state, act } = playing
  const spots = spotsOf(doing)
  const typed = typedAt(doing)
  const timing = useMemo(
    () =>
      timingOf(
        countWords([plainText(step.body), ...(step.cautions ?? []).map((caution) => caution.words)].join(' ')),
        spots.length > 0,
        typed.length,
        pace,
      ),
    [step, spots.length, typed, pace],
  )
  const ms = useClock(`${step.id} ${state.here.since}`, timing.totalMs, !state.paused && !waits, () => act({ type: 'played' }))
  return { spots, typed, timing, ms }
}

function Shown(props: ShownProps) {
  const { t } = useTexts()
  const { guide, step, doing, playing, captions } = props
  const { state, act, play, resumed } = playing
  const ways = choicesAt(play, state)
  const waits = state.here.done && ways !== null
  const time = useTiming(props, waits)
  const picture = step.pictures.find((each) => each.id === time.spots[0]?.pictureId) ?? step.pictures[0]
  const ground = picture && groundOf(step, picture, guide.sizes[picture.id])
  const belowPx = (captions ? 250 : 175) + (waits ? 96 + 64 * Math.min(4, ways.ways.length) : 0)
  return (
    <div className="grow flex flex-col items-center [justify-content:safe_center] px-3 md:px-6 py-3 gap-3">
      {resumed && state.seen.at(-1) === step.id && <p className="text-sm text-soft">{t('You go on where you were.')}</p>}
      {picture && ground && <ShownPicture {...{ guide, step, doing, picture, ground, belowPx }} {...time} />}
      <div
        aria-live="polite"
        className={
          captions || !picture
            ? `w-full max-w-[1000px] bg-sheet border-t-2 border-ink px-4 py-3 overflow-auto ${picture ? 'max-h-[26dvh]' : ''}`
            : 'sr-only'
        }
        data-caption
      >
        <RichTextView text={step.body} className={picture ? 'practise-text' : 'reader-text'} />
        {doing.kind === 'keys' && (
          <p className="mt-2">
            <kbd className="font-mono border border-edge border-b-3 rounded-md px-2 py-0.5 bg-sheet">{doing.keys}</kbd>
          </p>
        )}
      </div>
      {waits && (
        <div className="w-full max-w-[760px]">
          <WaysOn ask={ways.ask} ways={ways.ways} onChoose={(id) => act({ type: 'choose', id })} />
        </div>
      )}
    </div>
  )
}

/** The picture with what happens on it, come nearer to where it happens. @param belowPx room that what stands below needs */
function ShownPicture({
  guide,
  step,
  doing,
  picture,
  ground,
  belowPx,
  spots,
  typed,
  timing,
  ms,
}: Pick<ShownProps, 'guide' | 'step' | 'doing'> &
  ReturnType<typeof useTiming> & { picture: StepPicture; ground: Ground; belowPx: number }) {
  const look = useLook(guide.document.look)
  const less = useLessMotion()
  const box = useRef<HTMLDivElement>(null)
  const widths = useWidths(box)
  const { shown } = ground
  const target = spots[0] ? middleOf(spots[spots.length > 1 && ms > timing.readMs + timing.travelMs ? 1 : 0]!.rect) : null
  const share = target && { x: (target.x - shown.x) / shown.width, y: (target.y - shown.y) / shown.height }
  const zoom = share && ms > timing.readMs * 0.6 ? zoomOn(share, widths.shownPx, widths.boxPx, shown.width) : null
  return (
    <div ref={box} className="w-full max-w-[1180px] overflow-hidden" data-zoomed={zoom ? 'yes' : undefined}>
      <div
        className="[&>div]:flex [&>div]:flex-col [&>div]:items-center"
        style={{
          transition: less ? 'none' : 'transform 700ms ease',
          ...(zoom ? { transform: `scale(${zoom.factor}) translate(${zoom.x * 100}%, ${zoom.y * 100}%)` } : {}),
        }}
      >
        <AnnotatedPicture
          {...{ step, picture, look }}
          sizes={guide.sizes}
          source={(id) => pictureAddress(guide.guideId, guide.edition, id)}
          maxHeight={`max(180px, calc(100dvh - ${belowPx}px - var(--safety-height, 0px) - var(--preview-bar, 0px)))`}
          fills
          over={<Motion {...{ doing, ms, timing, typed, less, shown }} />}
        />
      </div>
    </div>
  )
}

function Bar({
  playing,
  pace,
  captions,
  atFirst,
  onPace,
  onCaptions,
}: {
  playing: Playing
  pace: number
  captions: boolean
  atFirst: boolean
  onPace: (pace: number) => void
  onCaptions: () => void
}) {
  const { t } = useTexts()
  const { state, act } = playing
  const over = state.at === END
  return (
    <div className="flex items-center gap-2 max-w-[1180px] mx-auto">
      <label className="text-sm inline-flex items-center gap-2">
        <span className="hidden sm:inline">{t('Pace')}</span>
        <select
          aria-label={t('Pace')}
          value={pace}
          className="min-h-11 bg-sheet border border-edge px-2"
          onChange={(event) => onPace(Number(event.target.value))}
        >
          {PACES.map((each) => (
            <option key={each} value={each}>
              {each} ×
            </option>
          ))}
        </select>
      </label>
      <Button className="min-h-11" aria-pressed={captions} onClick={onCaptions}>
        <Captions size={20} aria-hidden />
        <span className="hidden md:inline">{captions ? t('Hide the words') : t('Show the words')}</span>
        <span className="md:hidden sr-only">{captions ? t('Hide the words') : t('Show the words')}</span>
      </Button>
      <span className="grow" />
      <Button
        className="min-h-14 px-3 sm:px-4 text-lg"
        disabled={atFirst}
        onClick={() => act({ type: 'back' })}
        aria-label={t('Step before')}
      >
        <ArrowLeft size={20} aria-hidden />
      </Button>
      <Button
        look="primary"
        className="min-h-14 px-3 sm:px-5 text-lg sm:min-w-32"
        onClick={() => act({ type: state.paused || over ? 'play' : 'pause' })}
      >
        {state.paused || over ? <PlayIcon size={20} aria-hidden /> : <Pause size={20} aria-hidden />}
        {over ? t('Again') : state.paused ? t('Play') : t('Pause')}
      </Button>
      <Button className="min-h-14 px-3 sm:px-4 text-lg" disabled={over} onClick={() => act({ type: 'next' })} aria-label={t('Next step')}>
        <ArrowRight size={20} aria-hidden />
      </Button>
    </div>
  )
}

function WatchEnd({ guide }: { guide: UsedGuide }) {
  const { t } = useTexts()
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  return (
    <div className="w-full max-w-[760px] mx-auto px-4 py-8">
      <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl mb-2 outline-none">
        {t('That was all of it')}
      </h1>
      <ClosingWords document={guide.document} />
      <p className="mb-5">{t('You have seen how it is done. Doing it yourself is what makes it stay.')}</p>
      <div className="flex flex-wrap gap-2">
        {guide.edition !== null && (
          <ButtonLink to={`/guides/${guide.guideId}/practise`} look="primary" className="min-h-14 px-6 text-lg">
            {t('Practise it')}
          </ButtonLink>
        )}
        <ButtonLink to={guide.edition === null ? `/guides/${guide.guideId}/edit` : '/'} className="min-h-14 px-6 text-lg">
          {guide.edition === null ? t('Back to the editor') : t('Go to Today')}
        </ButtonLink>
      </div>
    </div>
  )
}
