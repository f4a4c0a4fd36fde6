import { groundOf } from '@jackdaw/core/annotations'
import type { Rect, Step, StepPicture } from '@jackdaw/core/guides'
import { END } from '@jackdaw/core/flow'
import { spotsOf, timingOf, type Doing as StepDoing, type PlayerState } from '@jackdaw/core/players'
import { ActingSurface } from '../picture/ActingSurface'
import { Motion, typedAt } from '../motion/Motion'
import { Brackets, EntryField, Found, PopUp, spotStyle } from '../picture/OnPicture'
import { useClock, useLessMotion } from '../motion/useClock'
import type { UsedGuide } from '../used'
import type { Said } from './useSaid'

/** What lies over the picture: the surface that takes acts, hints, the field, the pop-up. */
export function PractiseOver({
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
      {spot && here.hint === 2 && !here.placed && <Area rect={around(spot.rect, shown)} shown={shown} />}
      {spots.map((each, n) =>
        'id' in each && here.found.includes(each.id as string) ? (
          <Found key={n} rect={each.rect} shown={shown} />
        ) : (
          (here.shown || (here.hint >= 3 && !here.placed)) && !framed && <Brackets key={n} rect={each.rect} shown={shown} />
        ),
      )}
      {doing.kind === 'enter' && here.placed && !open && (
        <EntryField
          style={spotStyle(doing.on.rect, shown)}
          name={doing.on.name}
          chooses={['combobox', 'listbox', 'option'].includes(doing.on.role)}
          options={doing.options}
          tries={here.tries}
          refusal={said.tone === 'wrong' ? doing.message : ''}
          onEnter={(entry) => said.act({ do: 'enter', entry })}
        />
      )}
      {here.shown && <ShownDone doing={doing} stepKey={`${step.id} ${here.since}`} shown={shown} />}
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

/** How it is done, shown once; then it stands as it was left. */
function ShownDone({ doing, stepKey, shown }: { doing: StepDoing; stepKey: string; shown: Rect }) {
  const less = useLessMotion()
  const typed = typedAt(doing)
  const timing = { ...timingOf(0, spotsOf(doing).length > 0, typed.length, 1), readMs: 250 }
  const totalMs = timing.readMs + timing.travelMs + timing.typeMs + timing.holdMs
  const ms = useClock(stepKey, totalMs, true, () => undefined)
  return <Motion {...{ doing, ms, timing, typed, less, shown }} />
}

/** Share of the picture by which the second hint reaches over the element on each side. */
const AROUND = 0.09
const around = (rect: Rect, shown: Rect): Rect => ({
  x: rect.x - shown.width * AROUND,
  y: rect.y - shown.width * AROUND,
  width: rect.width + 2 * shown.width * AROUND,
  height: rect.height + 2 * shown.width * AROUND,
})

/** Everything but the area is darker. */
function Area({ rect, shown }: { rect: Rect; shown: Rect }) {
  return (
    <span
      aria-hidden
      data-hint-area
      className="absolute pointer-events-none rounded-md"
      style={{ ...spotStyle(rect, shown), boxShadow: '0 0 0 4000px rgb(23 33 43 / 0.45)' }}
    />
  )
}
