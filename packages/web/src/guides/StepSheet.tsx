import type { DraftConflict } from '@jackdaw/contracts/guides'
import { stepName, type GuideItem, type Section, type Step } from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import type { Editor } from '@tiptap/react'
import {
  AppWindow,
  ArrowDown,
  ArrowUp,
  CircleDashed,
  Construction,
  Copy,
  Hand,
  HardHat,
  Heading,
  ImagePlus,
  Plus,
  Split,
  StickyNote,
  Trash2,
  TriangleAlert,
} from 'lucide-react'
import { memo, useDeferredValue, useMemo, useRef, useState, type Dispatch, type DragEvent, type SetStateAction } from 'react'
import { useTexts } from '../ui/texts'
import { Button, IconButton } from '../ui'
import { ConflictPanel } from './ConflictPanel'
import type { ItemActions } from './itemActions'
import { StepBody } from './StepBody'
import { StepCheckPanel } from './StepCheckPanel'
import { StepSafety } from './StepSafety'
import { StepExercise } from './exercises/StepExercise'
import { StepFlow } from './exercises/StepFlow'
import { StepPictures, type PictureGround } from './StepPictures'
import { pictureAddress } from '../players'

type Common = { actions: ItemActions; selected: boolean; focus: boolean; conflicts: readonly DraftConflict[]; ticked: boolean }

/** What is opened under the step. */
type Panel = 'exercise' | 'flow' | null

/** The step as its pictures see it: the same object for as long as only its words change, so that nothing is drawn anew at every key. */
function useApartFromWords(step: Step): Step {
  const { body: _, ...rest } = step
  // In the same order at all times: the fields of a step are known.
  const fields = Object.entries(rest).sort(([a], [b]) => (a < b ? -1 : 1))
  const kept = useRef({ fields, step })
  const before = kept.current.fields
  if (fields.length !== before.length || fields.some(([name, value], n) => before[n]![0] !== name || before[n]![1] !== value))
    kept.current = { fields, step }
  return kept.current.step
}

const holdsFiles = (event: DragEvent): boolean => event.dataTransfer.types.includes('Files')

/** One step on the author's sheet: number, text, pictures, and what can be done with it. */
export const StepSheet = memo(function StepSheet({
  guideId,
  sizes,
  look,
  prefer,
  round,
  step,
  number,
  actions,
  selected,
  focus,
  conflicts,
  uploads,
  onEditor,
  onBench,
  panelHost,
  ticked,
}: Common &
  PictureGround & {
    step: Step
    number: number
    uploads: readonly { file: string }[]
    onEditor: (editor: Editor | null) => void
    onBench: PictureId | null
    panelHost: Element | null
  }) {
  const { t } = useTexts()
  const [over, setOver] = useState(false)
  const [picking, setPicking] = useState(false)
  const [panel, setPanel] = useState<Panel>(null)
  const name = useDeferredValue(stepName(step) || t('Step {{n}}', { n: number }))
  const pictured = useApartFromWords(step)
  const ground = useMemo(() => ({ guideId, sizes, look, prefer, round }), [guideId, sizes, look, prefer, round])
  return (
    <li
      id={`item-${step.id}`}
      data-step={step.id}
      className={`relative grid grid-cols-[44px_minmax(0,1fr)] gap-x-3 pt-4 pb-3 border-b border-hair scroll-mt-32 ${over ? 'outline-2 outline-dashed outline-petrol' : ''}`}
      onFocusCapture={() => actions.select(step.id)}
      onDragOver={(event) => {
        if (holdsFiles(event)) {
          event.preventDefault()
          setOver(true)
        }
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        if (holdsFiles(event)) {
          event.preventDefault()
          setOver(false)
          actions.addPictures(step.id, [...event.dataTransfer.files])
        }
      }}
    >
      <div className="flex flex-col items-center gap-1.5">
        <span
          className={`mt-1.5 h-7 w-9 flex items-center justify-center text-sm font-semibold tabular-nums [clip-path:polygon(0_0,calc(100%-7px)_0,100%_7px,100%_100%,0_100%)] ${selected ? 'bg-petrol text-white' : 'bg-ink text-white'}`}
          aria-hidden
        >
          {number}
        </span>
        <Tick ticked={ticked} name={t('Choose step {{n}}', { n: number })} onTick={(range) => actions.tick(step.id, range)} />
      </div>
      <div className="min-w-0">
        {/* As high as the number and the box beside it, so that a wide picture below covers neither. */}
        <div className="min-h-[60px]">
          <StepBody
            body={step.body}
            label={t('Text of step {{n}}', { n: number })}
            autoFocus={focus}
            onChange={(body) => actions.setBody(step.id, body)}
            onEditor={onEditor}
            onPictures={(files) => actions.addPictures(step.id, files)}
            onNewStep={() => actions.addStep(step.id)}
            onSplit={(first, second) => actions.split(step.id, first, second)}
          />
        </div>
        <StepSafety {...{ step, number, actions, picking }} onPicking={setPicking} />
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
          <StepExercise
            {...{ step, number, sizes, actions }}
            source={(id) => pictureAddress(guideId, null, id, 'screen')}
            onClose={() => setPanel(null)}
          />
        )}
        {panel === 'flow' && <StepFlow {...{ step, number, actions }} onClose={() => setPanel(null)} />}
        {conflicts.map((conflict) => (
          <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
        ))}
        {/* Whoever comes to the step by keyboard comes to its text first, and thereby selects it. */}
        {selected && <StepTools stepId={step.id} notReady={step.notReady === true} {...{ name, actions, panel, setPanel, setPicking }} />}
      </div>
    </li>
  )
})

/** What can be put into a step, behind it, and done with it. */
const StepTools = memo(function StepTools({
  stepId,
  notReady,
  name,
  actions,
  panel,
  setPanel,
  setPicking,
}: {
  stepId: Step['id']
  notReady: boolean
  name: string
  actions: ItemActions
  panel: Panel
  setPanel: Dispatch<SetStateAction<Panel>>
  setPicking: (picking: boolean) => void
}) {
  const { t } = useTexts()
  const turn = (to: Panel) => setPanel((now) => (now === to ? null : to))
  const picker = useRef<HTMLInputElement>(null)
  return (
    <div className="flex flex-wrap items-center gap-x-1 mt-1" data-keeps-editor>
      <Button look="quiet" className="text-sm px-2" onClick={() => picker.current?.click()} title={t('Or drop or paste it')}>
        <ImagePlus size={16} aria-hidden />
        {t('Picture')}
      </Button>
      <Button look="quiet" className="text-sm px-2" onClick={() => actions.addSheet(stepId)} title={t('Lay several pictures out on it')}>
        <StickyNote size={16} aria-hidden />
        {t('Blank sheet')}
      </Button>
      <input
        ref={picker}
        type="file"
        accept="image/png,image/jpeg,image/webp,image/gif"
        multiple
        hidden
        onChange={(event) => {
          actions.addPictures(stepId, [...(event.target.files ?? [])])
          event.target.value = ''
        }}
      />
      <Button look="quiet" className="text-sm px-2" onClick={() => actions.addCaution(stepId)}>
        <TriangleAlert size={16} aria-hidden />
        {t('Caution')}
      </Button>
      <Button look="quiet" className="text-sm px-2" onClick={() => setPicking(true)}>
        <HardHat size={16} aria-hidden />
        {t('Sign')}
      </Button>
      <Button look="quiet" className="text-sm px-2" aria-expanded={panel === 'exercise'} onClick={() => turn('exercise')}>
        <Hand size={16} aria-hidden />
        {t('Practise and Solo')}
      </Button>
      <Button look="quiet" className="text-sm px-2" aria-expanded={panel === 'flow'} onClick={() => turn('flow')}>
        <Split size={16} aria-hidden />
        {t('Ways on')}
      </Button>
      <Button look="quiet" className="text-sm px-2" onClick={() => actions.addStep(stepId)} title="Ctrl+Enter">
        <Plus size={16} aria-hidden />
        {t('Step after')}
      </Button>
      <Button look="quiet" className="text-sm px-2" onClick={() => actions.addSection(stepId)}>
        <Heading size={16} aria-hidden />
        {t('Section after')}
      </Button>
      <Button look="quiet" className="text-sm px-2" onClick={() => actions.record(stepId)}>
        <AppWindow size={16} aria-hidden />
        {t('Record after')}
      </Button>
      <span className="flex ml-auto">
        <ItemTools name={name} itemId={stepId} actions={actions} notReady={notReady} copies />
      </span>
    </div>
  )
})

/** The box by which a step is chosen among many; with Shift, all from the last one on. */
function Tick({ ticked, name, onTick }: { ticked: boolean; name: string; onTick: (range: boolean) => void }) {
  const shift = useRef(false)
  return (
    <input
      type="checkbox"
      className="size-[18px] accent-petrol"
      checked={ticked}
      aria-label={name}
      title={name}
      onPointerDown={(event) => (shift.current = event.shiftKey)}
      onKeyDown={(event) => (shift.current = event.shiftKey)}
      onChange={() => onTick(shift.current)}
    />
  )
}

function ItemTools({
  name,
  itemId,
  actions,
  notReady,
  copies = false,
}: {
  name: string
  itemId: GuideItem['id']
  actions: ItemActions
  notReady: boolean
  copies?: boolean
}) {
  const { t } = useTexts()
  return (
    <>
      <IconButton name={t('Not ready: {{name}}', { name })} aria-pressed={notReady} onClick={() => actions.setNotReady(itemId, !notReady)}>
        <Construction size={16} aria-hidden />
      </IconButton>
      <IconButton name={t('Move up: {{name}}', { name })} onClick={() => actions.move(itemId, -1)}>
        <ArrowUp size={16} aria-hidden />
      </IconButton>
      <IconButton name={t('Move down: {{name}}', { name })} onClick={() => actions.move(itemId, 1)}>
        <ArrowDown size={16} aria-hidden />
      </IconButton>
      {copies && (
        <IconButton name={t('Duplicate: {{name}}', { name })} onClick={() => actions.duplicate(itemId)}>
          <Copy size={16} aria-hidden />
        </IconButton>
      )}
      <IconButton name={t('Delete: {{name}}', { name })} onClick={() => actions.remove(itemId)}>
        <Trash2 size={16} aria-hidden />
      </IconButton>
    </>
  )
}

/** A section heading on the author's sheet. */
export const SectionSheet = memo(function SectionSheet({
  section,
  actions,
  selected,
  focus,
  conflicts,
  ticked,
}: Common & { section: Section }) {
  const { t } = useTexts()
  return (
    <li id={`item-${section.id}`} className="pt-7 pb-2 scroll-mt-32" onFocusCapture={() => actions.select(section.id)}>
      <div className="flex items-center gap-2">
        <span className="h-0.5 w-9 bg-ink shrink-0" aria-hidden />
        <Tick
          ticked={ticked}
          name={t('Choose section {{name}}', { name: section.title })}
          onTick={(range) => actions.tick(section.id, range)}
        />
        <input
          value={section.title}
          autoFocus={focus}
          maxLength={300}
          aria-label={t('Section heading')}
          placeholder={t('Section heading')}
          className="grow min-w-0 font-serif text-xl bg-transparent border-b border-transparent hover:border-hair focus:border-edge"
          onChange={(event) => actions.setSectionTitle(section.id, event.target.value)}
        />
        {section.optional && <span className="text-sm text-soft whitespace-nowrap">{t('may be left out')}</span>}
        <div className={`flex ${selected ? '' : 'sr-only focus-within:not-sr-only'}`}>
          <IconButton
            name={t('Optional: {{name}}', { name: section.title || t('Section heading') })}
            aria-pressed={section.optional === true}
            onClick={() => actions.setOptional(section.id, section.optional !== true)}
          >
            <CircleDashed size={16} aria-hidden />
          </IconButton>
          <IconButton name={t('Step after this heading')} onClick={() => actions.addStep(section.id)}>
            <Plus size={16} aria-hidden />
          </IconButton>
          <ItemTools
            name={section.title || t('Section heading')}
            itemId={section.id}
            actions={actions}
            notReady={section.notReady === true}
          />
        </div>
      </div>
      {conflicts.map((conflict) => (
        <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
      ))}
    </li>
  )
})
