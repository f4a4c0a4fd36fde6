import type { KeptPlay } from '@jackdaw/contracts/players'
import { groundOf } from '@jackdaw/core/annotations'
import { stepName, stepsOf, type Annotation, type Step, type StepPicture } from '@jackdaw/core/guides'
import {
  choicesAt,
  END,
  indexOf,
  isClosed,
  nameOf,
  namesOf,
  sectionOf,
  spokenWords,
  spotsOf,
  targetArea,
  type Act,
  type Doing as StepDoing,
  type PlayerState,
} from '@jackdaw/core/players'
import type { PictureId, StepId } from '@jackdaw/core/shared'
import { ArrowLeft, ArrowRight, Lightbulb, List, Wand } from 'lucide-react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useTranslation } from 'react-i18next'
import { AnnotatedPicture } from '../annotations'
import { useLook } from '../annotations/useLook'
import { RichTextView } from '../guides/RichTextView'
import { useMe } from '../people'
import { Button } from '../ui'
import { ActingSurface } from './ActingSurface'
import { ElementList } from './ElementList'
import { Brackets, EntryField, Found, PopUp, spotStyle } from './OnPicture'
import { PractiseEnd } from './PractiseEnd'
import { Stage, type FlatMark } from './Stage'
import { pictureAddress, playFor, type UsedGuide } from './used'
import { usePlay, type Playing } from './usePlay'
import { WaysOn } from './WaysOn'

const marksOf = ({ play, state }: Pick<Playing, 'play' | 'state'>): FlatMark[] =>
  play.script.steps.map(({ id }) => ({
    id,
    state: id === state.at ? 'here' : state.results[id] ? (state.results[id].help === 2 ? 'missed' : 'done') : 'open',
  }))

/** The person does the steps on the pictures; what is wrong gets a hint that becomes clearer each time. */
export function Practise({
  guide,
  kept,
  only = null,
  from,
  onLeave,
}: {
  guide: UsedGuide
  kept: KeptPlay | null
  only?: readonly StepId[] | null
  from?: string
  onLeave: () => void
}) {
  const { t } = useTranslation()
  const me = useMe()
  const [play] = useState(() => playFor(guide, false, only))
  const playing = usePlay(guide, 'practise', play, kept, {
    personId: me.id,
    only,
    preview: guide.edition === null,
    onLeave,
    ...(from === undefined ? {} : { from }),
  })
  const { state, act } = playing
  const [listing, setListing] = useState(false)
  const steps = useMemo(() => new Map(stepsOf(guide.document).map((step) => [step.id as string, step])), [guide])
  usePicturesAhead(
    guide,
    play.script.steps.map((step) => step.id),
    state.at,
    steps,
  )
  const step = steps.get(state.at)
  const at = indexOf(play.script, state.at)
  const doing = play.script.steps[at]?.doing
  const said = useSaid(playing, doing, step ? askedAt(step) : '')
  const names = useMemo(() => namesOf(guide.document), [guide])
  const stay = useCallback(() => act({ type: 'stay' }), [act])
  const askOut = useCallback(() => act({ type: 'ask-out' }), [act])
  return (
    <Stage
      way={t('Practise')}
      title={guide.document.title}
      where={step ? whereWords(t, guide, step, at, play.script.steps.length) : t('At the end')}
      marks={marksOf(playing)}
      leaving={state.leaving}
      onAskOut={askOut}
      onStay={stay}
      onLeave={() => act({ type: 'leave' })}
      kept={
        guide.edition === null
          ? t('This is a preview. Nothing of it is kept.')
          : only !== null
            ? t('What you have practised is on record. These steps can be practised again at any time.')
            : t('You can go on at this step later, on any device.')
      }
      bar={step && doing ? <Bar {...{ playing, doing, said, listing }} onList={() => setListing((now) => !now)} /> : <span />}
    >
      {step && doing ? (
        <>
          <PractiseStep key={`${step.id} ${state.here.since}`} {...{ guide, step, doing, playing, said }} first={at === 0} />
          {listing && <ElementList names={names} onAct={said.act} onClose={() => setListing(false)} />}
        </>
      ) : (
        <PractiseEnd guide={guide} playing={playing} only={only} />
      )}
    </Stage>
  )
}

/** Where one is, in words. */
export function whereWords(t: ReturnType<typeof useTranslation>['t'], guide: UsedGuide, step: Step, at: number, of: number): string {
  const section = sectionOf(guide.document, step)
  return `${t('Step {{n}} of {{of}}', { n: at + 1, of })}${section ? ` · ${section}` : ''}`
}

const AHEAD = 3
/** Fetches the pictures of the next steps before they are asked for. */
function usePicturesAhead(guide: UsedGuide, ids: readonly string[], at: string, steps: ReadonlyMap<string, Step>): void {
  const { guideId, edition } = guide
  useEffect(() => {
    const from = ids.indexOf(at)
    for (const id of ids.slice(from + 1, from + 1 + AHEAD))
      for (const picture of steps.get(id)?.pictures ?? [])
        for (const stored of picture.sheet ? picture.sheet.pictures : [picture]) {
          const image = new Image()
          image.decoding = 'async'
          image.src = pictureAddress(guideId, edition, stored.id as PictureId)
        }
  }, [guideId, edition, ids, at, steps])
}

type Said = { words: string; tone: 'wrong' | 'part' | 'none'; act: (act: Act) => void }

/** Carries acts to the player and puts into words what came of them. */
function useSaid({ state, act }: Playing, doing: StepDoing | undefined, asked: string): Said {
  const { t } = useTranslation()
  const [part, setPart] = useState(false)
  const { at, here } = state
  useEffect(() => setPart(false), [at, here.since])
  const hinted = here.tries > 0 && state.results[at] === undefined
  const send = useCallback(
    (told: Act) => {
      // Two clicks on the wrong place are one mistake.
      if (told.do === 'click' && told.how === 'double' && doing?.kind === 'click' && doing.how !== 'double') return
      if (told.do === 'keys' && doing?.kind !== 'keys') return
      if (doing?.kind === 'nothing' && told.do !== 'go-on') return
      setPart(told.do === 'click' || told.do === 'pick')
      act({ type: 'act', act: told })
    },
    [act, doing],
  )
  if (!doing) return { words: '', tone: 'none', act: send }
  if (here.hint > 0 && hinted && !here.placed) return { words: hintWords(t, doing, here.hint, asked), tone: 'wrong', act: send }
  if (here.placed && here.hint > 0) return { words: entryWords(t, doing, here), tone: 'wrong', act: send }
  if (part && doing.kind === 'several' && here.found.length > 0)
    return { words: t('{{n}} of {{of}} found', { n: here.found.length, of: doing.spots.length }), tone: 'part', act: send }
  return { words: '', tone: 'none', act: send }
}

function entryWords(t: ReturnType<typeof useTranslation>['t'], doing: StepDoing, here: PlayerState['here']): string {
  if (doing.kind !== 'enter') return ''
  const told = doing.message || t('That is not what belongs here.')
  return here.hint > 1 ? `${told} ${acceptWords(t, doing)}` : told
}

/** What is accepted, in words. */
function acceptWords(t: ReturnType<typeof useTranslation>['t'], { accept }: Extract<StepDoing, { kind: 'enter' }>): string {
  switch (accept.how) {
    case 'pattern':
      return t('It looks like {{pattern}}: # is a digit, @ a letter.', { pattern: accept.pattern })
    case 'range':
      return t('It is a number from {{least}} to {{most}}.', { least: accept.least ?? '…', most: accept.most ?? '…' })
    case 'one-of':
      return t('It is one of: {{values}}.', { values: accept.values.join(', ') })
    case 'date':
      return t('It is the day {{day}}.', { day: accept.date })
    case 'anything':
      return t('Anything will do, but it may not be empty.')
    default:
      return t('It is: {{value}}', { value: accept.value })
  }
}

function hintWords(t: ReturnType<typeof useTranslation>['t'], doing: StepDoing, hint: number, asked: string): string {
  if (doing.kind === 'keys') return hint > 1 ? t('Not those keys. Press {{keys}}.', { keys: doing.keys }) : t('Not those keys.')
  if (doing.kind === 'pop-up') return t('Not that button. Read what the window asks.')
  const [spot] = spotsOf(doing)
  const name = spot ? nameOf(spot) : ''
  const what = {
    click: t('You are looking for “{{name}}”.', { name }),
    enter: t('You are looking for the field “{{name}}”.', { name }),
    drag: t('Drag “{{name}}”.', { name }),
    several: t('Look for all of them, in any order.'),
    nothing: '',
  }[doing.kind]
  const how =
    doing.kind === 'click' && doing.how === 'double'
      ? t('Select it twice quickly.')
      : doing.kind === 'click' && doing.how === 'right'
        ? t('Open its menu: the other mouse button, or a long press.')
        : ''
  const where = hint === 2 ? t('It is in the lighter part.') : hint === 3 ? t('It is in the frame.') : ''
  return [t('Not there.'), asked, what, how, where].filter(Boolean).join(' ')
}

/** What the step's labels ask in Practise, in one line. */
const askedAt = (step: Step): string =>
  step.pictures
    .flatMap((picture) => picture.annotations ?? [])
    .flatMap((each) => (each.kind === 'label' && each.practiseWords ? [each.practiseWords] : []))
    .join(' ')

/** What is shown of the annotations while somebody practises: nothing that points at the element, until the last hint. */
function annotationsAt(picture: StepPicture, hint: number): Annotation[] {
  const all = picture.annotations ?? []
  if (hint >= 3) return all
  return all.filter((each) => {
    if (each.kind === 'frame') return false
    const to = 'area' in each ? each.area.to : 'at' in each ? each.at.to : 'to' in each ? each.to.to : 'picture'
    return to === 'picture' && each.kind !== 'arrow'
  })
}

function PractiseStep({
  guide,
  step,
  doing,
  playing,
  said,
  first,
}: {
  guide: UsedGuide
  step: Step
  doing: StepDoing
  playing: Playing
  said: Said
  first: boolean
}) {
  const { t } = useTranslation()
  const { state, act, play, resumed } = playing
  const look = useLook(guide.document.look)
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus({ preventScroll: true }), [])
  const acted = spotsOf(doing)[0]?.pictureId
  const picture = step.pictures.find((each) => each.id === acted) ?? step.pictures[0]
  const ways = state.here.done || state.results[step.id] ? choicesAt(play, state) : null
  const hint = Math.min(3, state.here.placed ? 3 : state.here.hint)
  const shownPicture = useMemo(() => picture && { ...picture, annotations: annotationsAt(picture, hint) }, [picture, hint])
  const alt = doing.kind === 'nothing' ? (picture?.alt ?? '') : t('The screen at this step')
  const words = spokenWords(step)
  return (
    <div className="grow min-h-0 flex flex-col items-center px-3 md:px-6 py-3 gap-3">
      <div className="w-full max-w-[1180px]">
        {first && resumed && <p className="text-sm text-soft">{t('You go on where you were.')}</p>}
        <h1 ref={heading} tabIndex={-1} className="sr-only">
          {words}
        </h1>
        <RichTextView text={step.body} className="practise-text" />
        {step.exercise?.hint && state.here.hint > 0 && <p className="mt-1">{step.exercise.hint}</p>}
      </div>
      {picture && shownPicture && (
        <div className="w-full flex justify-center">
          <div className="w-full max-w-[1180px] [&>div]:flex [&>div]:flex-col [&>div]:items-center">
            <AnnotatedPicture
              step={step}
              picture={{ ...shownPicture, alt }}
              sizes={guide.sizes}
              look={look}
              way="practise"
              source={(id) => pictureAddress(guide.guideId, guide.edition, id)}
              maxHeight="max(220px, calc(100dvh - 256px))"
              fills
              over={<Over {...{ guide, step, picture, doing, state, said }} />}
            />
          </div>
        </div>
      )}
      {!picture && doing.kind === 'pop-up' && (
        <div className="relative w-full max-w-[760px] min-h-72 bg-sheet">
          <PopUp
            {...doing}
            right={state.here.hint >= 3 ? doing.buttons.find((each) => each.right)?.id : undefined}
            onPress={(buttonId) => said.act({ do: 'press', buttonId })}
          />
        </div>
      )}
      {ways && (
        <div className="w-full max-w-[760px]">
          <WaysOn ask={ways.ask} ways={ways.ways} onChoose={(id) => act({ type: 'choose', id })} />
        </div>
      )}
      {play.script.steps[indexOf(play.script, step.id)]?.optional && (
        <p className="text-soft text-sm">
          {t('You may leave this section out.')}{' '}
          <button type="button" className="text-petrol underline min-h-8" onClick={() => act({ type: 'skip-section' })}>
            {t('Go on after it')}
          </button>
        </p>
      )}
    </div>
  )
}

/** What lies over the picture: the surface that takes acts, hints, the field, the pop-up. */
function Over({
  guide,
  step,
  picture,
  doing,
  state,
  said,
}: {
  guide: UsedGuide
  step: Step
  picture: StepPicture
  doing: StepDoing
  state: PlayerState
  said: Said
}) {
  const ground = groundOf(step, picture, guide.sizes[picture.id])
  if (!ground || doing.kind === 'nothing') return null
  const { shown } = ground
  const { here } = state
  const spots = spotsOf(doing)
  const [spot] = spots
  const open = state.at === END || here.done
  const framed = picture.annotations?.some((each) => each.kind === 'frame' && each.area.to === 'element') === true
  return (
    <>
      <ActingSurface
        stepKey={`${step.id} ${here.since}`}
        pictureId={picture.id}
        shown={shown}
        takesKeys={doing.kind === 'keys'}
        onAct={said.act}
        describedBy="said"
      />
      {spot && here.hint === 2 && !here.placed && <Area rect={targetArea(spot.rect, 0.35, 'touch')} shown={shown} />}
      {spots.map((each, n) =>
        'id' in each && here.found.includes(each.id as string) ? (
          <Found key={n} rect={each.rect} shown={shown} />
        ) : (
          here.hint >= 3 && !here.placed && !framed && <Brackets key={n} rect={each.rect} shown={shown} />
        ),
      )}
      {doing.kind === 'enter' && here.placed && !open && (
        <EntryField
          key={here.tries}
          style={spotStyle(doing.on.rect, shown)}
          options={doing.options}
          onEnter={(entry) => said.act({ do: 'enter', entry })}
        />
      )}
      {doing.kind === 'pop-up' && !open && (
        <PopUp
          {...doing}
          right={here.hint >= 3 ? doing.buttons.find((each) => each.right)?.id : undefined}
          onPress={(buttonId) => said.act({ do: 'press', buttonId })}
        />
      )}
    </>
  )
}

/** Everything but the area is darker. */
function Area({
  rect,
  shown,
}: {
  rect: { x: number; y: number; width: number; height: number }
  shown: { x: number; y: number; width: number; height: number }
}) {
  return (
    <span
      aria-hidden
      data-hint-area
      className="absolute pointer-events-none rounded-md"
      style={{ ...spotStyle(rect, shown), boxShadow: '0 0 0 4000px rgb(23 33 43 / 0.45)' }}
    />
  )
}

/** At the bottom: back, what was said, help, and the way on where there is nothing to do. */
function Bar({
  playing,
  doing,
  said,
  listing,
  onList,
}: {
  playing: Playing
  doing: StepDoing
  said: Said
  listing: boolean
  onList: () => void
}) {
  const { t } = useTranslation()
  const { state, act, play } = playing
  const at = indexOf(play.script, state.at)
  const wasDone = state.results[state.at] !== undefined
  return (
    <div className="flex flex-wrap md:flex-nowrap items-center gap-2 max-w-[1180px] mx-auto">
      <p
        id="said"
        role="status"
        className={`order-first w-full md:order-none md:w-auto md:grow min-h-6 flex items-center gap-2 ${said.tone === 'wrong' ? 'text-brick font-semibold' : 'text-ink'}`}
        data-said={said.tone}
      >
        {said.words && (
          <>
            {said.tone === 'wrong' && <Lightbulb size={20} className="shrink-0" aria-hidden />}
            <span>{said.words}</span>
          </>
        )}
      </p>
      <Button className="min-h-14 px-4 text-lg" onClick={() => act({ type: 'back' })} disabled={at === 0}>
        <ArrowLeft size={20} aria-hidden />
        <span className="hidden sm:inline">{t('Back')}</span>
        <span className="sm:hidden sr-only">{t('Back')}</span>
      </Button>
      {doing.kind !== 'nothing' && !state.here.done && (
        <>
          <Button className="min-h-14 px-4 text-lg" aria-pressed={listing} onClick={onList}>
            <List size={20} aria-hidden />
            {t('List')}
            <span className="sr-only">{t(' of elements')}</span>
          </Button>
          <Button className="min-h-14 px-4 text-lg grow md:grow-0" onClick={() => act({ type: 'show-me' })}>
            <Wand size={20} aria-hidden />
            {t('Show me')}
          </Button>
        </>
      )}
      {(doing.kind === 'nothing' || wasDone) && !isClosed(play, state, state.at) && !(choicesAt(play, state) && wasDone) && (
        <Button
          look="primary"
          className="min-h-14 px-6 text-lg grow md:grow-0"
          onClick={() => (wasDone ? act({ type: 'next' }) : said.act({ do: 'go-on' }))}
        >
          {t('Go on')}
          <ArrowRight size={20} aria-hidden />
        </Button>
      )}
    </div>
  )
}

/** What a step is called, with its number. */
export const numbered = (guide: UsedGuide, id: string): string => {
  const steps = stepsOf(guide.document)
  const at = steps.findIndex((step) => step.id === id)
  return at < 0 ? '' : `${at + 1}. ${stepName(steps[at]!)}`
}
