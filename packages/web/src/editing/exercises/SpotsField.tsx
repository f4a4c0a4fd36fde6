import { areaBetween, groundOf, type Point } from '@jackdaw/core/annotations'
import type { PictureSizes, Rect, Step, StepElement } from '@jackdaw/core/guides'
import { Trash2 } from 'lucide-react'
import { useRef, useState, type PointerEvent } from 'react'
import { useTexts } from '../../ui/words/texts'
import { AnnotatedPicture, useLook } from '../../annotations'
import { Brackets, spotStyle } from '../../players'
import { NumberField, Button, IconButton } from '../../ui'

const LEAST_PX = 6
const BLANK = { role: '', name: '', frame: [], locators: [] }

type SpotsProps = {
  step: Step
  sizes: PictureSizes
  source: (id: StepElement['pictureId']) => string
  elements: readonly StepElement[]
  most: number
  onChange: (elements: StepElement[]) => void
}

/** Elements drawn on the step's first picture: each by dragging over it, or by numbers. */
export function SpotsField(props: SpotsProps) {
  const { step, sizes, source, elements, most, onChange } = props
  const { t } = useTexts()
  const look = useLook({})
  const picture = step.pictures[0]
  const size = picture && (picture.sheet ?? sizes[picture.id])
  const ground = picture && groundOf(step, picture, sizes[picture.id])
  if (!picture || !size || !ground) return <p className="text-sm text-ochre">{t('Give the step a picture first.')}</p>
  const { shown } = ground
  const element = ({ x, y, width, height }: Rect): StepElement => ({
    ...BLANK,
    pictureId: picture.id,
    rect: { x: Math.round(x), y: Math.round(y), width: Math.round(width), height: Math.round(height) },
    of: { widthPx: size.widthPx, heightPx: size.heightPx },
  })
  const add = (rect: Rect) => onChange([...(most === 1 ? [] : elements), element(rect)].slice(0, most))
  const put = (n: number, next: Partial<StepElement>) => onChange(elements.map((each, k) => (k === n ? { ...each, ...next } : each)))
  return (
    <div>
      <p className="text-sm text-soft mb-1">{most === 1 ? t('Drag over the element.') : t('Drag over each of the elements.')}</p>
      <AnnotatedPicture
        {...{ step, picture, sizes, look, source }}
        bare
        maxHeight="420px"
        over={<DrawingSurface elements={elements} shown={shown} onDrawn={add} />}
      />
      <SpotList elements={elements} onPut={put} onRemove={(n) => onChange(elements.filter((_, k) => k !== n))} />
      {elements.length < most && (
        <Button
          className="mt-1 text-sm"
          onClick={() =>
            add({ x: shown.x + shown.width * 0.4, y: shown.y + shown.height * 0.45, width: shown.width * 0.2, height: shown.height * 0.1 })
          }
        >
          {t('Add an element by numbers')}
        </Button>
      )}
    </div>
  )
}

/** Lies over the picture: what is dragged over it becomes a rectangle, in pixels of the picture. */
function DrawingSurface({ elements, shown, onDrawn }: { elements: readonly StepElement[]; shown: Rect; onDrawn: (rect: Rect) => void }) {
  const box = useRef<HTMLDivElement>(null)
  const [drawn, setDrawn] = useState<Rect | null>(null)
  const from = useRef<Point | null>(null)
  const at = (event: PointerEvent): Point => {
    const area = box.current!.getBoundingClientRect()
    return {
      x: shown.x + ((event.clientX - area.left) / area.width) * shown.width,
      y: shown.y + ((event.clientY - area.top) / area.height) * shown.height,
    }
  }
  return (
    <div
      ref={box}
      className="absolute inset-0 cursor-crosshair touch-none"
      onPointerDown={(event) => {
        from.current = at(event)
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={(event) => from.current && setDrawn(areaBetween(from.current, at(event)))}
      onPointerUp={(event) => {
        const rect = from.current && areaBetween(from.current, at(event))
        from.current = null
        setDrawn(null)
        if (rect && rect.width >= LEAST_PX && rect.height >= LEAST_PX) onDrawn(rect)
      }}
    >
      {elements.map((each, n) => (
        <Brackets key={n} rect={each.rect} shown={shown} />
      ))}
      {drawn && <span className="absolute border-2 border-dashed border-petrol pointer-events-none" style={spotStyle(drawn, shown)} />}
    </div>
  )
}

/** The elements by name and numbers. */
function SpotList({
  elements,
  onPut,
  onRemove,
}: {
  elements: readonly StepElement[]
  onPut: (n: number, next: Partial<StepElement>) => void
  onRemove: (n: number) => void
}) {
  const { t } = useTexts()
  return (
    <ul className="mt-2 space-y-1">
      {elements.map((each, n) => (
        <li key={n} className="flex flex-wrap items-center gap-1 text-sm">
          <input
            aria-label={t('Name of element {{n}}', { n: n + 1 })}
            placeholder={t('What is it called?')}
            value={each.name}
            maxLength={300}
            className="grow min-w-32 min-h-9 border border-edge px-2 bg-sheet"
            onChange={(event) => onPut(n, { name: event.target.value })}
          />
          {(['x', 'y', 'width', 'height'] as const).map((side) => (
            <div key={side} className="w-18">
              <NumberField
                small
                hidden
                whole
                min={0}
                label={t('{{side}} of element {{n}}, in pixels', {
                  side: { x: t('left'), y: t('top'), width: t('width'), height: t('height') }[side],
                  n: n + 1,
                })}
                value={Math.round(each.rect[side])}
                onChange={(next) => onPut(n, { rect: { ...each.rect, [side]: next } })}
              />
            </div>
          ))}
          <IconButton name={t('Remove element {{n}}', { n: n + 1 })} onClick={() => onRemove(n)}>
            <Trash2 size={16} aria-hidden />
          </IconButton>
        </li>
      ))}
    </ul>
  )
}
