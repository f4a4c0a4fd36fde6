import type { WayOfUse } from '@jackdaw/core/ways'
import { contrastUnder, cut, LEAST_CONTRAST, unitOf, type Drawing, type Ground } from '@jackdaw/core/annotations'
import { positionOf, withPosition } from '@jackdaw/core/editing'
import type { Annotation, Look, Rect, Sheet, StepPicture } from '@jackdaw/core/guides'
import { Clipboard, Copy, Trash2 } from 'lucide-react'
import type { ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button, IconButton } from '../../ui'
import { copyAnnotations, copyPosition, useCopied } from './clipboard'
import { Measure, RectFields } from './fields'
import { SelectedFields } from './SelectedFields'
import { StyleFields } from './StyleFields'
import { toolName } from './tools'
import type { usePixels } from './useImages'

type Props = {
  number: number
  picture: StepPicture
  annotations: readonly Annotation[]
  ground: Ground
  look: Look
  way: WayOfUse['labels']
  drawing: Drawing
  measured: ReturnType<typeof usePixels>
  selected: string | null
  /** The annotation that was made a moment ago. */
  fresh: string | null
  onSelect: (id: string | null) => void
  onPut: (annotation: Annotation) => void
  onRemove: (id: string) => void
  onPaste: (annotations: readonly Annotation[]) => void
  onShown: (shown: Rect | null) => void
  onElement: (element: Rect) => void
  onSheet: (sheet: Sheet) => void
  onKey: (event: React.KeyboardEvent) => void
  /** What is offered to be blacked out. */
  found: ReactNode
}

const titleOf = (annotation: Annotation): string =>
  annotation.kind === 'label' || annotation.kind === 'text' ? annotation.words : annotation.kind === 'tag' ? String(annotation.number) : ''

type ContrastOf = (id: string) => number | null

/** How well each annotation stands out from the picture under it; `null` where that is not known. */
function contrastIn(drawing: Drawing, measured: Props['measured']): ContrastOf {
  return (id) => {
    const drawn = drawing.drawn.find((each) => each.id === id)
    if (!drawn || !measured || drawn.along.length === 0) return null
    const places = drawn.along.map(({ x, y }) => ({ x: x * measured.scale, y: y * measured.scale }))
    return contrastUnder(measured.pixels, places, drawn.stroke, drawn.casing)
  }
}

/** Beside the picture: all annotations as a list, and everything about the one that is selected. */
export function BenchPanel(props: Props) {
  const { t } = useTexts()
  const { annotations, selected, drawing, measured, picture } = props
  const chosen = annotations.find((each) => each.id === selected)
  const laidAt = selected?.startsWith('laid:') ? Number(selected.slice(5)) : null
  const laid = laidAt === null ? undefined : picture.sheet?.pictures[laidAt]
  const contrastOf = contrastIn(drawing, measured)
  return (
    <section aria-label={t('Annotations of step {{n}}', { n: props.number })} className="p-4 space-y-3" data-keeps-editor>
      <h2 className="text-base">{t('Annotations of step {{n}}', { n: props.number })}</h2>
      {annotations.length === 0 ? (
        <p className="text-sm text-soft">
          {t('Nothing is drawn on this picture. Take a tool above it; with the Enter key it puts something on the element at once.')}
        </p>
      ) : (
        <AnnotationList {...props} contrastOf={contrastOf} />
      )}
      <CopyTools annotations={annotations} onPaste={props.onPaste} />
      {props.found}
      {chosen && <Chosen {...props} chosen={chosen} contrast={contrastOf(chosen.id)} />}
      {laid && laidAt !== null && <Laid {...props} index={laidAt} rect={laid.rect} />}
      {picture.sheet && picture.sheet.pictures.length > 0 && <LaidList sheet={picture.sheet} {...props} />}
      {!chosen && !laid && <GroundFields {...props} />}
    </section>
  )
}

function AnnotationList({ annotations, selected, drawing, contrastOf, onSelect, onKey }: Props & { contrastOf: ContrastOf }) {
  const { t } = useTexts()
  return (
    <ul className="border-t border-hair" aria-label={t('Annotations')} onKeyDown={onKey}>
      {annotations.map((each) => {
        const contrast = contrastOf(each.id)
        const faint = contrast !== null && contrast < LEAST_CONTRAST
        return (
          <li key={each.id} className="border-b border-hair">
            <button
              type="button"
              className={`w-full min-h-8 px-2 text-left text-sm flex gap-2 items-baseline ${each.id === selected ? 'bg-wash font-semibold' : 'hover:bg-wash'}`}
              aria-pressed={each.id === selected}
              data-annotation-row={each.id}
              onClick={() => onSelect(each.id)}
              onFocus={() => each.id !== selected && onSelect(each.id)}
            >
              <span>{toolName(each.kind, t)}</span>
              <span className="truncate text-soft grow">{titleOf(each)}</span>
              {drawing.lost.includes(each.id) && <span className="text-ochre shrink-0">{t('element missing')}</span>}
              {faint && <span className="text-ochre shrink-0">{t('hard to see')}</span>}
              {each.style && <span className="text-soft shrink-0">{t('own style')}</span>}
            </button>
          </li>
        )
      })}
    </ul>
  )
}

/** Everything about the annotation that is selected. */
function Chosen({ chosen, contrast, ...props }: Props & { chosen: Annotation; contrast: number | null }) {
  const { t } = useTexts()
  const { ground, way, look, drawing, fresh, onPut, onRemove } = props
  const { position } = useCopied()
  return (
    <div className="border-t-2 border-ink pt-3 space-y-3" data-selected={chosen.id}>
      <div className="flex items-center">
        <h3 className="grow">{toolName(chosen.kind, t)}</h3>
        <IconButton name={t('Copy it')} onClick={() => copyAnnotations([chosen])}>
          <Copy size={16} aria-hidden />
        </IconButton>
        <IconButton name={t('Remove it')} onClick={() => onRemove(chosen.id)}>
          <Trash2 size={16} aria-hidden />
        </IconButton>
      </div>
      <SelectedFields
        annotation={chosen}
        drawn={drawing.drawn.find((each) => each.id === chosen.id)}
        ground={ground}
        way={way}
        fresh={fresh === chosen.id}
        onChange={onPut}
      />
      <div className="flex flex-wrap gap-1">
        <Button look="quiet" className="text-sm px-2" onClick={() => copyPosition(positionOf(chosen))}>
          {t('Remember this place')}
        </Button>
        <Button
          look="quiet"
          className="text-sm px-2"
          disabled={!position}
          onClick={() => position && onPut(withPosition(chosen, position))}
        >
          {t('Put it in the same place')}
        </Button>
      </div>
      <StyleFields annotation={chosen} look={look} contrast={contrast} onChange={onPut} />
    </div>
  )
}

/** A picture on the sheet that is selected. */
function Laid({ picture: { sheet }, index, rect, onSheet, onSelect }: Props & { index: number; rect: Rect }) {
  if (!sheet) return null
  return (
    <LaidFields
      rect={rect}
      onChange={(next) => onSheet({ ...sheet, pictures: sheet.pictures.map((each, n) => (n === index ? { ...each, rect: next } : each)) })}
      onRemove={() => {
        onSheet({ ...sheet, pictures: sheet.pictures.filter((_, n) => n !== index) })
        onSelect(null)
      }}
    />
  )
}

function LaidList({ sheet, selected, onSelect }: Pick<Props, 'selected' | 'onSelect'> & { sheet: Sheet }) {
  const { t } = useTexts()
  return (
    <ul className="border-t border-hair" aria-label={t('Pictures on the sheet')}>
      {sheet.pictures.map((each, n) => (
        <li key={`${each.id}-${n}`} className="border-b border-hair">
          <button
            type="button"
            aria-pressed={selected === `laid:${n}`}
            className={`w-full min-h-8 px-2 text-left text-sm ${selected === `laid:${n}` ? 'bg-wash font-semibold' : 'hover:bg-wash'}`}
            onClick={() => onSelect(`laid:${n}`)}
          >
            {t('Picture {{n}} on the sheet', { n: n + 1 })}
          </button>
        </li>
      ))}
    </ul>
  )
}

/** All annotations copied, and those of another picture put here. */
function CopyTools({ annotations, onPaste }: Pick<Props, 'annotations' | 'onPaste'>) {
  const { t } = useTexts()
  const copied = useCopied()
  return (
    <div className="flex flex-wrap gap-1">
      <Button look="quiet" className="text-sm px-2" disabled={annotations.length === 0} onClick={() => copyAnnotations(annotations)}>
        <Copy size={15} aria-hidden />
        {t('Copy all')}
      </Button>
      <Button look="quiet" className="text-sm px-2" disabled={copied.annotations.length === 0} onClick={() => onPaste(copied.annotations)}>
        <Clipboard size={15} aria-hidden />
        {t('Paste {{n}}', { n: copied.annotations.length })}
      </Button>
    </div>
  )
}

/** What the picture itself is about: its element and the part that is shown, in numbers. */
function GroundFields({ ground, picture, onElement, onShown }: Props) {
  const { t } = useTexts()
  const unit = unitOf(ground)
  return (
    <>
      {ground.element && <RectFields name={t('What the step is about')} rect={ground.element} unit={unit} onChange={onElement} />}
      {picture.shown && (
        <RectFields
          name={t('Shown part')}
          rect={picture.shown}
          unit={unit}
          onChange={(shown) => onShown(cut(shown, { x: 0, y: 0, width: ground.of.widthPx, height: ground.of.heightPx }))}
        >
          <Button className="text-sm mt-2" onClick={() => onShown(null)}>
            {t('Show the whole picture')}
          </Button>
        </RectFields>
      )}
    </>
  )
}

function LaidFields({ rect, onChange, onRemove }: { rect: Rect; onChange: (rect: Rect) => void; onRemove: () => void }) {
  const { t } = useTexts()
  const part = (key: 'x' | 'y', label: string) => (
    <Measure label={label} value={rect[key]} min={-4_000} max={4_000} onChange={(value) => onChange({ ...rect, [key]: value })} />
  )
  return (
    <div className="border-t-2 border-ink pt-3 space-y-2">
      <h3>{t('Picture on the sheet')}</h3>
      <div className="grid grid-cols-2 gap-2">
        {part('x', t('From the left'))}
        {part('y', t('From the top'))}
        <Measure
          label={t('Width')}
          value={rect.width}
          min={10}
          max={4_000}
          onChange={(width) => onChange({ ...rect, width, height: (width * rect.height) / rect.width })}
        />
      </div>
      <Button look="danger" className="text-sm" onClick={onRemove}>
        {t('Take it off the sheet')}
      </Button>
    </div>
  )
}
