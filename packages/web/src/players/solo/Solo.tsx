import type { SoloDriver } from './soloDriver'
import { groundOf } from '@jackdaw/core/annotations'
import type { SoloAttempt } from '@jackdaw/contracts/players'
import { PLAIN_LOOK, type Rect, type Step, type StepPicture } from '@jackdaw/core/guides'
import type { Act, SoloScreen } from '@jackdaw/core/players'
import type { PictureId, StepId } from '@jackdaw/core/shared'
import { ArrowRight, CircleCheck, CircleX, List, SkipForward } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { AnnotatedPicture } from '../../annotations'
import { Button, TextButton } from '../../ui'
import { ActingSurface } from '../picture/ActingSurface'
import { ElementList } from '../picture/ElementList'
import { EntryField, keptInside, PopUp } from '../picture/OnPicture'
import { SoloEnd } from './SoloEnd'
import { Stage, type FlatMark } from '../picture/Stage'
import { StepWords } from '../StepWords'
import { WaysOn } from '../WaysOn'

/** The person does the steps on the pictures without help, and is judged. */
export function Solo({ driver, onLeave }: { driver: SoloDriver; onLeave: () => void }) {
  const { t } = useTexts()
  const { attempt, does, giveUp, preview } = driver
  const { screen, result } = attempt
  const [leaving, setLeaving] = useState(false)
  const [listing, setListing] = useState(false)
  const [place, setPlace] = useState({ x: 0.3, y: 0.3 })
  const act = (told: Act) => does({ type: 'act', act: told })
  const marks: FlatMark[] = Array.from({ length: screen?.of ?? 1 }, (_, n) => ({
    id: String(n),
    state: screen === null ? 'done' : n + 1 < screen.position ? 'done' : n + 1 === screen.position ? 'here' : 'open',
  }))
  return (
    <Stage
      way={t('Solo')}
      title={attempt.title}
      where={
        screen
          ? `${t('Step {{n}} of {{of}}', { n: screen.position, of: screen.of })}${screen.section ? ` · ${screen.section}` : ''}`
          : t('At the end')
      }
      marks={marks}
      leaving={leaving}
      safety={screen && { ...screen, stepId: String(screen.position), onAcknowledge: () => does({ type: 'acknowledge' }) }}
      closes={listing ? () => setListing(false) : null}
      onAskOut={() => (result ? onLeave() : setLeaving(true))}
      onStay={() => setLeaving(false)}
      onLeave={onLeave}
      outWords={t('Leave and go on later')}
      kept={
        preview
          ? t('This is a preview. Nothing of it is kept.')
          : t('You can go on with this attempt within a day. After that it counts as it stands.')
      }
      bar={screen ? <Bar {...{ driver, screen, listing, act }} onList={() => setListing((now) => !now)} onGiveUp={giveUp} /> : <span />}
    >
      {screen && <SoloStep key={screen.position} {...{ driver, screen, place, act }} onPlace={setPlace} />}
      {screen && listing && <ElementList names={attempt.names} onAct={act} onClose={() => setListing(false)} />}
      {result && <SoloEnd driver={driver} result={result} />}
    </Stage>
  )
}

const NO_STEP: Step = { kind: 'step', id: 'none' as StepId, body: { type: 'doc', content: [] }, pictures: [] }
type Place = { x: number; y: number }
type StepProps = { driver: SoloDriver; screen: SoloScreen; place: Place; act: (act: Act) => void; onPlace: (at: Place) => void }

function SoloStep(props: StepProps) {
  const { t } = useTexts()
  const { driver, screen, act } = props
  const { attempt, busy, does } = driver
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus({ preventScroll: true }), [])
  const { picture, popUp } = screen
  return (
    <div className="grow min-h-0 flex flex-col items-center px-3 md:px-6 py-3 gap-3">
      <div className="w-full max-w-[1180px]">
        {attempt.task && (
          <p
            className="whitespace-pre-line border-l-4 border-petrol pl-3 text-lg mb-2 max-h-[16dvh] overflow-auto"
            tabIndex={0}
            role="note"
            aria-label={t('Your task')}
          >
            {attempt.task}
          </p>
        )}
        <h1 ref={heading} tabIndex={-1} className={screen.words ? 'text-xl outline-none' : 'sr-only'}>
          {screen.words || t('Step {{n}} of {{of}}', { n: screen.position, of: screen.of })}
        </h1>
        {screen.body && <StepWords text={screen.body} alone={!picture && !popUp} />}
        {!screen.body && !screen.words && <p className="text-soft">{t('Do what comes next, as you would in the application.')}</p>}
      </div>
      {picture && <SoloPicture {...props} picture={picture} />}
      {!picture && popUp && (
        <div className="relative w-full max-w-[760px] min-h-72 bg-sheet">
          <PopUp {...popUp} busy={busy} onPress={(buttonId) => act({ do: 'press', buttonId })} />
        </div>
      )}
      {screen.choice && (
        <div className="w-full max-w-[760px]">
          <WaysOn ask={screen.choice.ask} ways={screen.choice.ways} onChoose={(id) => does({ type: 'choose', id })} />
        </div>
      )}
      {screen.optional && (
        <p className="text-soft text-sm">
          {t('You may leave this section out.')}{' '}
          <TextButton onClick={() => does({ type: 'skip-section' })}>{t('Go on after it')}</TextButton>
        </p>
      )}
    </div>
  )
}

/** The picture of the step, on which it is done. */
function SoloPicture({ picture, ...props }: StepProps & { picture: NonNullable<SoloScreen['picture']> }) {
  const { t } = useTexts()
  const { driver, screen } = props
  const shownAs: StepPicture = {
    id: picture.id,
    alt: t('The screen at this step'),
    ...(picture.shown ? { shown: picture.shown } : {}),
    ...(picture.sheet ? { sheet: picture.sheet } : {}),
  }
  const size = { widthPx: picture.widthPx, heightPx: picture.heightPx }
  const ground = groundOf(NO_STEP, shownAs, size)
  if (!ground) return null
  return (
    <div className="w-full max-w-[1180px] [&>div]:flex [&>div]:flex-col [&>div]:items-center">
      <AnnotatedPicture
        step={NO_STEP}
        picture={shownAs}
        sizes={{ [picture.id]: size }}
        look={PLAIN_LOOK}
        source={driver.source}
        maxHeight="max(220px, calc(100dvh - 290px - var(--safety-height, 0px) - var(--preview-bar, 0px)))"
        fills
        bare
        over={!screen.body && !screen.choice && <OverPicture {...props} pictureId={picture.id} shown={ground.shown} />}
      />
    </div>
  )
}

/** What takes the person's acts, and what opens over the picture. */
function OverPicture({ driver, screen, place, act, onPlace, pictureId, shown }: StepProps & { pictureId: PictureId; shown: Rect }) {
  const { attempt, busy } = driver
  return (
    <>
      <ActingSurface stepKey={`${screen.position}`} {...{ pictureId, shown, onPlace }} takesKeys onAct={act} describedBy="said" />
      {screen.field && (
        <EntryField
          style={keptInside(place.x, place.y)}
          name={screen.field.name}
          chooses={screen.field.chooses}
          options={screen.field.options}
          tries={attempt.acts}
          refusal={attempt.said?.is === 'wrong' ? attempt.said.message : ''}
          busy={busy}
          onEnter={(entry) => act({ do: 'enter', entry })}
        />
      )}
      {screen.popUp && <PopUp {...screen.popUp} busy={busy} onPress={(buttonId) => act({ do: 'press', buttonId })} />}
    </>
  )
}

type BarProps = {
  driver: SoloDriver
  screen: SoloScreen
  listing: boolean
  act: (act: Act) => void
  onList: () => void
  onGiveUp: () => void
}

function Bar(props: BarProps) {
  const { t } = useTexts()
  const { driver, screen, onGiveUp } = props
  const { attempt, trouble } = driver
  const [asks, setAsks] = useState(false)
  return (
    <div className="flex flex-wrap md:flex-nowrap items-center gap-2 max-w-[1180px] mx-auto">
      <p
        id="said"
        role="status"
        className={`order-first w-full md:order-none md:w-auto md:grow min-h-6 flex items-center gap-2 ${trouble || attempt.said?.is === 'wrong' ? 'text-brick font-semibold' : 'text-ink'}`}
        data-said={attempt.said?.is ?? 'none'}
      >
        {trouble || <Said {...{ attempt, screen }} />}
      </p>
      {asks ? (
        <>
          <span className="font-semibold">{t('End it here? What is not done counts for nothing.')}</span>
          <Button className="min-h-14 px-4 text-lg" onClick={() => setAsks(false)}>
            {t('No, go on')}
          </Button>
          <Button look="danger" className="min-h-14 px-4 text-lg" onClick={onGiveUp}>
            {t('End the attempt')}
          </Button>
        </>
      ) : (
        <>
          <Button className="min-h-14 px-4" onClick={() => setAsks(true)}>
            {t('Give up')}
          </Button>
          {!screen.choice && <BarActs {...props} />}
        </>
      )}
    </div>
  )
}

/** What can be done at a step besides pointing at its picture. */
function BarActs({ driver: { busy, does }, screen, listing, act, onList }: BarProps) {
  const { t } = useTexts()
  if (screen.body)
    return (
      <Button look="primary" className="min-h-14 px-6 text-lg grow md:grow-0" disabled={busy} onClick={() => act({ do: 'go-on' })}>
        {t('Go on')}
        <ArrowRight size={20} aria-hidden />
      </Button>
    )
  return (
    <>
      <Button className="min-h-14 px-4" aria-pressed={listing} onClick={onList}>
        <List size={20} aria-hidden />
        {t('List')}
        <span className="sr-only">{t(' of elements')}</span>
      </Button>
      <Button className="min-h-14 px-4" disabled={busy} onClick={() => does({ type: 'leave-out' })}>
        <SkipForward size={20} aria-hidden />
        {t('Leave this step out')}
      </Button>
    </>
  )
}

function Said({ attempt, screen }: { attempt: SoloAttempt; screen: SoloScreen }) {
  const { t } = useTexts()
  const left = screen.triesLeft === null ? '' : t('{{count}} tries left at this step', { count: screen.triesLeft })
  switch (attempt.said?.is) {
    case 'right':
      return (
        <>
          <CircleCheck size={20} className="text-moss shrink-0" aria-hidden />
          {t('Right.')} <span className="text-soft">{left}</span>
        </>
      )
    case 'wrong':
      return (
        <>
          <CircleX size={20} className="shrink-0" aria-hidden />
          <span>
            {attempt.said.message || t('Not right.')} {left}
          </span>
        </>
      )
    case 'part':
      return screen.found > 0 ? (
        <>{t('{{n}} found.', { n: screen.found })}</>
      ) : screen.field ? (
        <>{t('Now the entry.')}</>
      ) : (
        <span className="text-soft">{left}</span>
      )
    default:
      return <span className="text-soft">{left}</span>
  }
}
