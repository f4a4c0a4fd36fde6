import { Button, chosen } from '../../ui'
import type { WayOfUse } from '@jackdaw/core/ways'
import { drawAnnotations, groundOf, hiddenAreas, placeKey, READING_WIDTH_PX, type Ground, type Side } from '@jackdaw/core/annotations'
import { setElement } from '@jackdaw/core/editing'
import type { Annotation, Change, Look, PictureSizes, Rect, Sheet, Step, StepPicture } from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import { useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { createPortal } from 'react-dom'
import { useTexts } from '../../ui/words/texts'
import { PendingBlackouts } from '../usePending'
import { BenchPanel } from './BenchPanel'
import { BenchStage } from './BenchStage'
import { TOOLS, toolHint, toolName, ToolSign, type Tool } from './tools'
import { blackoutOver, useBenchWork } from './useBenchWork'
import { useImages, usePixels } from './useImages'

export type BenchProps = {
  step: Step
  number: number
  picture: StepPicture
  sizes: PictureSizes
  look: Look
  prefer: Side | null
  source: (id: PictureId) => string
  change: (...changes: Change[]) => void
  onClose: () => void
  /** Where the panel goes; without it, under the picture. */
  panelHost: Element | null
  /** Tools of the page for this picture: replacing it, laying pictures on a sheet. */
  more: ReactNode
  found: (add: (areas: readonly Rect[]) => void) => ReactNode
}

/** Where annotations are made: the picture under the hand, the tools above it, and all of it by keys and numbers beside it. */
export function Bench(props: BenchProps) {
  const { step, picture, sizes } = props
  const ground = useMemo(() => groundOf(step, picture, sizes[picture.id]), [step, picture, sizes])
  const { t } = useTexts()
  if (!ground) return <p className="p-4 text-soft">{t('The size of this picture is being asked for …')}</p>
  return <Opened {...props} ground={ground} />
}

function useOwnWidth(): [React.RefObject<HTMLDivElement | null>, number] {
  const box = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(0)
  useEffect(() => {
    const { current } = box
    if (!current) return
    const observer = new ResizeObserver(() => setWidth(current.clientWidth))
    observer.observe(current)
    setWidth(current.clientWidth)
    return () => observer.disconnect()
  }, [])
  return [box, width]
}

type OpenedProps = BenchProps & { ground: Ground }

/** What is selected and taken, and what is drawn of it. */
function useOpened({ step, picture, look, sizes, prefer, change, onClose, ground }: OpenedProps) {
  const [selected, setSelected] = useState<string | null>(null)
  const [fresh, setFresh] = useState<string | null>(null)
  const [tool, setTool] = useState<Tool | null>(null)
  const [way, setWay] = useState<WayOfUse['labels']>('read')
  const annotations = useMemo(() => picture.annotations ?? [], [picture.annotations])
  // Its own blackouts are drawn where the hand has them.
  const pending = useContext(PendingBlackouts)
  const hidden = useMemo(() => hiddenAreas(picture, pending, sizes, placeKey(step, picture)), [picture, pending, sizes, step])
  const draw = useCallback(
    (all: readonly Annotation[]) => drawAnnotations(all, ground, { look, way, shownPx: READING_WIDTH_PX }, prefer, hidden),
    [ground, look, way, prefer, hidden],
  )
  const drawing = useMemo(() => draw(annotations), [draw, annotations])
  const work = useBenchWork({
    ...{ step, picture, ground, annotations, drawing, way, change, onClose },
    ...{ selected, setSelected, setFresh, tool, setTool },
  })
  return { selected, setSelected, fresh, tool, setTool, way, setWay, annotations, draw, drawing, ...work }
}

function Opened(props: OpenedProps) {
  const { step, number, picture, look, source, change, panelHost, found, ground } = props
  const { t } = useTexts()
  const [box, width] = useOwnWidth()
  const images = useImages(picture, ground, source)
  const measured = usePixels(images, ground)
  const opened = useOpened(props)
  const { selected, setSelected, fresh, tool, setTool, way, annotations, draw, drawing, key, put, addAll } = opened
  const setSheet = (sheet: Sheet) => change({ type: 'set-sheet', stepId: step.id, pictureId: picture.id, sheet })
  const panel = (
    <BenchPanel
      {...{ number, picture, annotations, ground, look, way, drawing, measured, selected, fresh }}
      onSelect={setSelected}
      onPut={put}
      onRemove={opened.remove}
      onPaste={(pasted) => addAll(pasted)}
      onElement={(rect) => change(...setElement(step, { pictureId: picture.id, rect, of: ground.of }))}
      onShown={(shown) => change({ type: 'set-shown', stepId: step.id, pictureId: picture.id, shown })}
      onSheet={setSheet}
      onKey={key}
      found={found((areas) => addAll(areas.map((rect) => blackoutOver(rect, ground))))}
    />
  )
  return (
    <div className="border-2 border-petrol bg-page" data-bench={picture.id} data-keeps-editor>
      <Toolbar tool={tool} sheet={Boolean(picture.sheet)} onTool={setTool} atOnce={opened.atOnce} />
      <div
        ref={box}
        tabIndex={0}
        role="group"
        aria-label={t('Picture of step {{n}}: arrow keys move what is selected by 1 px, with Shift by 10; Delete removes it', {
          n: number,
        })}
        onKeyDown={key}
        className="bg-[#dfe4e7]"
      >
        {width > 0 && (
          <BenchStage
            {...{ ground, images, tool, way, annotations, draw, selected }}
            sheet={picture.sheet}
            widthPx={width}
            onSelect={setSelected}
            onPut={put}
            onDrawn={opened.drawnByHand}
            onSheet={setSheet}
            onWords={() => document.querySelector<HTMLElement>('[data-selected] textarea')?.focus()}
          />
        )}
      </div>
      <p className="text-sm text-soft px-2 pt-1 min-h-6" aria-live="polite">
        {tool ? toolHint(tool, t) : ''}
      </p>
      <BenchFoot {...props} way={way} onWay={opened.setWay} />
      {panelHost ? createPortal(panel, panelHost) : panel}
    </div>
  )
}

/** Below the picture: in which way of use it is seen, what can be done with the picture itself, and the way out. */
function BenchFoot({
  step,
  ground,
  more,
  change,
  onClose,
  way,
  onWay,
}: OpenedProps & { way: WayOfUse['labels']; onWay: (way: WayOfUse['labels']) => void }) {
  const { t } = useTexts()
  return (
    <div className="flex flex-wrap items-center gap-2 p-2">
      <label className="text-sm flex items-center gap-1.5">
        {t('Seen in')}
        <select className="min-h-8 bg-sheet border border-edge px-1" value={way} onChange={chosen((value: 'read') => onWay(value))}>
          <option value="read">{t('Read and Watch')}</option>
          <option value="practise">{t('Practise')}</option>
        </select>
      </label>
      {ground.element && (
        <Button look="quiet" className="text-sm px-2" onClick={() => change(...setElement(step, null))}>
          {t('No element')}
        </Button>
      )}
      {more}
      <span className="grow" />
      <Button look="primary" onClick={onClose}>
        {t('Done')}
      </Button>
    </div>
  )
}

/** The tools. By pointer one is taken and used on the picture; by key it puts something there at once. */
function Toolbar({
  tool,
  sheet,
  onTool,
  atOnce,
}: {
  tool: Tool | null
  sheet: boolean
  onTool: (tool: Tool | null) => void
  atOnce: (tool: Tool) => void
}) {
  const { t } = useTexts()
  return (
    <div
      role="toolbar"
      aria-label={t('Tools for annotations')}
      className="flex flex-wrap items-center gap-0.5 p-1 border-b border-hair bg-sheet"
    >
      {TOOLS.filter((each) => each !== 'crop' || !sheet).map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={tool === each}
          className="flex flex-col items-center justify-center min-w-[48px] h-11 px-0.5 text-xs hover:bg-wash aria-pressed:bg-petrol aria-pressed:text-white"
          onClick={(event) => (event.detail === 0 ? atOnce(each) : onTool(tool === each ? null : each))}
        >
          <ToolSign tool={each} />
          {toolName(each, t)}
        </button>
      ))}
    </div>
  )
}
