import { nth, type PictureId } from '@jackdaw/core/shared'
import type { DraftConflict } from '@jackdaw/contracts/guides'
import { stepName, type Step } from '@jackdaw/core/guides'
import type { Editor } from '@tiptap/react'
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState, type DragEvent } from 'react'
import { useTexts } from '../../ui/words/texts'
import { ConflictPanel } from '../saving/ConflictPanel'
import type { ItemActions } from '../itemActions'
import { NotReadyStrip } from '../../guides/NotReadyStrip'
import { StepBody, type FocusAt } from '../text/StepBody'
import { StepCheckPanel } from '../checking/StepCheckPanel'
import { StepSafety } from './StepSafety'
import { StepTools, type Panel } from './StepTools'
import { Tick } from '../outline/Tick'
import { StepExercise } from '../exercises/StepExercise'
import { StepFlow } from '../exercises/StepFlow'
import { StepPictures, type PictureGround } from './StepPictures'
import { pictureAddress } from '../../players'
import { StepRemarks } from '../../remarks'

/** What a step and a heading on the sheet have in common. `focus`: the cursor is to go there. */
export type Common = {
  actions: ItemActions
  selected: boolean
  focus: FocusAt | null
  conflicts: readonly DraftConflict[]
  ticked: boolean
}

/** The step as its pictures see it: the same object for as long as only its words change, so that nothing is drawn anew at every key. */
function useApartFromWords(step: Step): Step {
  const { body: _, ...rest } = step
  // In the same order at all times: the fields of a step are known.
  const fields = Object.entries(rest).sort(([a], [b]) => (a < b ? -1 : 1))
  const kept = useRef({ fields, step })
  const before = kept.current.fields
  if (fields.length !== before.length || fields.some(([name, value], n) => nth(before, n)[0] !== name || nth(before, n)[1] !== value))
    kept.current = { fields, step }
  return kept.current.step
}

/** A panel opens below the pictures, and the tools float at the foot of the page: it is brought into sight. */
function useInSight(stepId: string, panel: Panel): void {
  useEffect(() => {
    if (panel) document.querySelector(`#item-${stepId} [data-panel]`)?.scrollIntoView({ block: 'nearest' })
  }, [panel, stepId])
}

const holdsFiles = (event: DragEvent): boolean => event.dataTransfer.types.includes('Files')

/** The number of a step, and the box by which it is chosen among many. */
function Number({
  number,
  selected,
  ticked,
  onTick,
}: {
  number: number
  selected: boolean
  ticked: boolean
  onTick: (range: boolean) => void
}) {
  const { t } = useTexts()
  return (
    <div className="flex flex-col items-center gap-1.5">
      <span
        className={`mt-1.5 h-7 w-9 flex items-center justify-center text-sm font-semibold tabular-nums [clip-path:polygon(0_0,calc(100%-7px)_0,100%_7px,100%_100%,0_100%)] ${selected ? 'bg-petrol text-white' : 'bg-ink text-white'}`}
        aria-hidden
      >
        {number}
      </span>
      <Tick ticked={ticked} name={t('Choose step {{n}}', { n: number })} onTick={onTick} />
    </div>
  )
}

/** Files dropped on a step become its pictures. */
function useDrop(onFiles: (files: File[]) => void) {
  const [over, setOver] = useState(false)
  const take = (event: DragEvent, over: boolean) => {
    if (!holdsFiles(event)) return false
    event.preventDefault()
    setOver(over)
    return true
  }
  return {
    over,
    handlers: {
      onDragOver: (event: DragEvent) => void take(event, true),
      onDragLeave: () => setOver(false),
      onDrop: (event: DragEvent) => {
        if (take(event, false)) onFiles([...event.dataTransfer.files])
      },
    },
  }
}

type StepSheetProps = Common &
  PictureGround & {
    step: Step
    number: number
    uploads: readonly { file: string }[]
    onEditor: (editor: Editor | null) => void
    onBench: PictureId | null
    panelHost: Element | null
    /** Whether its tools are shown: it is selected, and no choice of several steps asks for the same place. */
    tools: boolean
  }

/** One step on the author's sheet: number, text, pictures, and what can be done with it. */
export const StepSheet = memo(function StepSheet(props: StepSheetProps) {
  const { step, number, actions, selected, conflicts, ticked, tools } = props
  const { t } = useTexts()
  const { over, handlers } = useDrop((files) => actions.addPictures(step.id, files))
  const [picking, setPicking] = useState(false)
  const [panel, setPanel] = useState<Panel>(null)
  useInSight(step.id, panel)
  const name = useDeferredValue(stepName(step) || t('Step {{n}}', { n: number }))
  return (
    <li
      id={`item-${step.id}`}
      data-step={step.id}
      className={`relative grid grid-cols-[44px_minmax(0,1fr)] gap-x-3 pt-4 pb-3 border-b border-hair scroll-mt-32 ${over ? 'outline-2 outline-dashed outline-petrol' : ''}`}
      onFocusCapture={() => actions.select(step.id)}
      {...handlers}
    >
      <Number {...{ number, selected, ticked }} onTick={(range) => actions.tick(step.id, range)} />
      <div className="min-w-0">
        <StepRemarks stepId={step.id} />
        {step.notReady && (
          <NotReadyStrip
            why={step.notReadyWhy ?? ''}
            name={name}
            onWhy={(why) => actions.setNotReady(step.id, true, why)}
            onReady={() => actions.setNotReady(step.id, false)}
          />
        )}
        <StepText {...props} />
        <StepSafety {...{ step, number, actions, picking }} onPicking={setPicking} />
        <StepPanels {...props} panel={panel} onClose={() => setPanel(null)} />
        {conflicts.map((conflict) => (
          <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
        ))}
        {/* Whoever comes to the step by keyboard comes to its text first, and thereby selects it. */}
        {tools && (
          <StepTools stepId={step.id} notReady={step.notReady === true} {...{ number, name, actions, panel, setPanel, setPicking }} />
        )}
      </div>
    </li>
  )
})

function StepText({ step, number, actions, focus, onEditor }: StepSheetProps) {
  const { t } = useTexts()
  return (
    // As high as the number and the box beside it, so that a wide picture below covers neither.
    <div className="min-h-[60px]">
      <StepBody
        body={step.body}
        label={t('Text of step {{n}}', { n: number })}
        focus={focus}
        onChange={(body) => actions.setBody(step.id, body)}
        onEditor={onEditor}
        onPictures={(files) => actions.addPictures(step.id, files)}
        onNewStep={(where) => actions.addStepBeside(step.id, where)}
        onSplit={(first, second) => actions.split(step.id, first, second)}
        onJoin={() => actions.join(step.id)}
      />
    </div>
  )
}

/** The pictures of a step, and what is opened below them. */
function StepPanels({ panel, onClose, ...props }: StepSheetProps & { panel: Panel; onClose: () => void }) {
  const { guideId, sizes, look, prefer, round, step, number, actions, uploads, onBench, panelHost } = props
  const pictured = useApartFromWords(step)
  const ground = useMemo(() => ({ guideId, sizes, look, prefer, round }), [guideId, sizes, look, prefer, round])
  return (
    <>
      {(step.pictures.length > 0 || uploads.length > 0) && (
        <StepPictures step={pictured} {...{ ground, number, actions, uploads, onBench, panelHost }} />
      )}
      {step.check && (
        <StepCheckPanel
          {...{ guideId, step, number }}
          check={step.check}
          onRight={() => actions.setCheck(step.id, null)}
          onUse={(pictureId) => actions.usePicture(step.id, pictureId)}
        />
      )}
      {panel === 'exercise' && (
        <StepExercise {...{ step, number, sizes, actions, onClose }} source={(id) => pictureAddress(guideId, null, id, 'screen')} />
      )}
      {panel === 'flow' && <StepFlow {...{ step, number, actions, onClose }} />}
    </>
  )
}
