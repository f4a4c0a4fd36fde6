import type { Step } from '@jackdaw/core/guides'
import { AppWindow, Hand, HardHat, Heading, ImagePlus, Plus, Split, StickyNote, Trash2, TriangleAlert } from 'lucide-react'
import { memo, useRef, type Dispatch, type ReactNode, type SetStateAction } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button } from '../../ui'
import type { ItemActions } from '../itemActions'
import { ItemMenu } from './ItemMenu'

/** What is opened under the step. */
export type Panel = 'exercise' | 'flow' | null

/** A tool; one of the less used ones shows its words only where there is room for all. */
function Tool({
  words,
  icon,
  seldom = false,
  title = words,
  ...rest
}: {
  words: string
  icon: ReactNode
  seldom?: boolean
  title?: string
  onClick: () => void
  'aria-expanded'?: boolean
  'aria-label'?: string
}) {
  return (
    <Button look="quiet" className="text-sm px-1.5 gap-1 shrink-0 min-h-10 font-normal aria-expanded:bg-wash" title={title} {...rest}>
      {icon}
      <span className={seldom ? 'sr-only @min-[920px]:not-sr-only' : undefined}>{words}</span>
    </Button>
  )
}

type StepToolsProps = {
  stepId: Step['id']
  number: number
  name: string
  notReady: boolean
  actions: ItemActions
  panel: Panel
  setPanel: Dispatch<SetStateAction<Panel>>
  setPicking: (picking: boolean) => void
}

/** What can be put into a step, behind it, and done with it. The tools float at the foot of the sheet, so that nothing on it moves when another
 * step is pressed; for the keyboard they stand behind the step's own text. */
export const StepTools = memo(function StepTools(props: StepToolsProps) {
  const { stepId, number, name, notReady, actions, panel, setPanel } = props
  const { t } = useTexts()
  const turn = (to: Panel) => setPanel((now) => (now === to ? null : to))
  return (
    <div
      className="fixed z-20 bottom-14 md:bottom-0 inset-x-0 lg:left-[264px] lg:right-(--facts-width) bg-sheet border-t border-edge @container"
      data-keeps-editor
      data-step-tools={stepId}
    >
      <div
        role="toolbar"
        aria-label={t('Step {{n}}', { n: number })}
        className="max-w-[1180px] mx-auto px-1 flex items-center overflow-x-auto"
      >
        <span className="hidden @min-[760px]:inline text-sm text-soft whitespace-nowrap px-1 tabular-nums" aria-hidden>
          {t('Step {{n}}', { n: number })}
        </span>
        <IntoStep {...props} />
        <Tool
          words={t('Practise')}
          aria-label={t('Practise and Solo')}
          title={t('What is done at this step in Practise and Solo')}
          icon={<Hand size={16} aria-hidden />}
          aria-expanded={panel === 'exercise'}
          onClick={() => turn('exercise')}
        />
        <Tool
          words={t('What comes next')}
          icon={<Split size={16} aria-hidden />}
          aria-expanded={panel === 'flow'}
          onClick={() => turn('flow')}
        />
        <span className="grow" />
        <BehindStep {...props} />
        <ItemMenu name={name} itemId={stepId} notReady={notReady} actions={actions} copies />
      </div>
    </div>
  )
})

/** What can be put into the step. */
function IntoStep({ stepId, actions, setPicking }: StepToolsProps) {
  const { t } = useTexts()
  const picker = useRef<HTMLInputElement>(null)
  return (
    <>
      <Tool words={t('Picture')} icon={<ImagePlus size={16} aria-hidden />} onClick={() => picker.current?.click()} />
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
      <Tool seldom words={t('Blank sheet')} icon={<StickyNote size={16} aria-hidden />} onClick={() => actions.addSheet(stepId)} />
      <Tool words={t('Caution')} icon={<TriangleAlert size={16} aria-hidden />} onClick={() => actions.addCaution(stepId)} />
      <Tool words={t('Sign')} icon={<HardHat size={16} aria-hidden />} onClick={() => setPicking(true)} />
    </>
  )
}

/** What can be put behind the step, and its end. */
function BehindStep({ stepId, name, actions }: StepToolsProps) {
  const { t } = useTexts()
  return (
    <>
      <Tool
        seldom
        words={t('Step after')}
        title={t('Step after (Ctrl+Enter)')}
        icon={<Plus size={16} aria-hidden />}
        onClick={() => actions.addStep(stepId)}
      />
      <Tool seldom words={t('Section after')} icon={<Heading size={16} aria-hidden />} onClick={() => actions.addSection(stepId)} />
      <Tool seldom words={t('Record after')} icon={<AppWindow size={16} aria-hidden />} onClick={() => actions.record(stepId)} />
      <Tool
        seldom
        words={t('Delete')}
        aria-label={t('Delete: {{name}}', { name })}
        icon={<Trash2 size={16} aria-hidden />}
        onClick={() => actions.remove(stepId)}
      />
    </>
  )
}
