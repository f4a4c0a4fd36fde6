import { byId, type StepId } from '@jackdaw/core/shared'
import type { KeptPlay } from '@jackdaw/contracts/players'
import { stepsOf, type Annotation, type Step, type StepPicture } from '@jackdaw/core/guides'
import { indexOf } from '@jackdaw/core/flow'
import { choicesAt, isClosed, namesOf, spokenWords, spotsOf, type Doing as StepDoing } from '@jackdaw/core/players'
import { ArrowLeft, ArrowRight, Lightbulb, List, Pointer } from 'lucide-react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { AnnotatedPicture } from '../../annotations'
import { useLook } from '../../annotations/useLook'
import { useMe } from '../../people'
import { Button, TextButton } from '../../ui'
import { ElementList } from '../picture/ElementList'
import { PopUp } from '../picture/OnPicture'
import { PractiseEnd } from './PractiseEnd'
import { PractiseOver } from './PractiseOver'
import { Stage, type FlatMark } from '../picture/Stage'
import { aboutStep, stageSafety } from '../safety/stageSafety'
import { StepWords } from '../StepWords'
import { QuizFirst } from '../QuizFirst'
import { pictureAddress, playFor, type UsedGuide } from '../used'
import { usePicturesAhead } from '../picture/usePicturesAhead'
import { usePlay, type Playing } from '../usePlay'
import { askedAt, useSaid, type Said } from './useSaid'
import { WaysOn } from '../WaysOn'
import { whereWords } from '../whereWords'

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
  const { t } = useTexts()
  const me = useMe()
  const [play] = useState(() => playFor(guide, 'practise', only))
  const playing = usePlay(guide, 'practise', play, kept, {
    personId: me.id,
    only,
    preview: guide.edition === null,
    onLeave,
    ...(from === undefined ? {} : { from }),
  })
  const { state, act } = playing
  const [listing, setListing] = useState(false)
  const steps = useMemo(() => byId(stepsOf(guide.document)), [guide])
  const ids = useMemo(() => play.script.steps.map((each) => each.id), [play])
  usePicturesAhead(guide, ids, state.at, steps)
  const step = steps.get(state.at)
  const at = indexOf(play.script, state.at)
  const quiz = guide.quizzes.find(({ guideQuizId }) => guideQuizId === state.at)
  const doing = play.script.steps[at]?.doing
  const said = useSaid(playing, doing, step ? askedAt(step) : '')
  const names = useMemo(() => namesOf(guide.document), [guide])
  const stay = useCallback(() => act({ type: 'stay' }), [act])
  const closeList = useCallback(() => setListing(false), [])
  const askOut = useCallback(() => act({ type: 'ask-out' }), [act])
  return (
    <Stage
      way={t('Practise')}
      title={guide.document.title}
      where={step ? whereWords(t, guide, step, play.script, at) : quiz ? t('A quiz comes first') : t('At the end')}
      marks={marksOf(playing)}
      leaving={state.leaving}
      notice={playing.notice}
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
      safety={stageSafety(guide, playing)}
      about={aboutStep(guide, step, 'practise')}
      notReady={step?.notReady ? (step.notReadyWhy ?? '') : null}
      closes={listing ? closeList : null}
      bar={step && doing ? <Bar {...{ playing, doing, said, listing }} onList={() => setListing((now) => !now)} /> : <span />}
    >
      {step && doing ? (
        <>
          <PractiseStep key={`${step.id} ${state.here.since}`} {...{ guide, step, doing, playing, said }} first={at === 0} />
          {listing && <ElementList names={names} onAct={said.act} onClose={closeList} />}
        </>
      ) : quiz ? (
        <QuizFirst {...{ quiz, guide, playing }} />
      ) : (
        <PractiseEnd guide={guide} playing={playing} only={only} />
      )}
    </Stage>
  )
}

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
  const { t } = useTexts()
  const { state, act, play, resumed } = playing
  const look = useLook(guide.document.look)
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus({ preventScroll: true }), [])
  const acted = spotsOf(doing)[0]?.pictureId
  const picture = step.pictures.find((each) => each.id === acted) ?? step.pictures[0]
  const ways = state.here.done || state.results[step.id] ? choicesAt(play, state) : null
  const hint = Math.min(3, state.here.placed || state.here.shown ? 3 : state.here.hint)
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
        <StepWords text={step.body} alone={!picture && doing.kind !== 'pop-up'} />
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
              maxHeight="max(220px, calc(100dvh - 256px - var(--safety-height, 0px) - var(--preview-bar, 0px)))"
              fills
              over={<PractiseOver {...{ guide, step, picture, doing, state, said }} />}
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
          <TextButton onClick={() => act({ type: 'skip-section' })}>{t('Go on after it')}</TextButton>
        </p>
      )}
    </div>
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
  const { t } = useTexts()
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
            <Pointer size={20} aria-hidden />
            {t('Do this step for me')}
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
