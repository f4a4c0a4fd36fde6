import { chosen } from '../../ui'
import { attachedTo, areaFrom, areaOf, pointOf, sharesOf, unitOf, wholeOf, type Ground } from '@jackdaw/core/annotations'
import { NamedPoint, type Anchor, type Area, type AttachedTo, type Rect } from '@jackdaw/core/guides'
import { useEffect, useId, useState, type ReactNode } from 'react'
import { useTexts } from '../../ui/texts'

/** A number that is taken over once it has been typed; arrow keys change it by one. */
export function NumberField({
  label,
  value,
  min,
  max,
  step = 1,
  unit = 'px',
  onChange,
}: {
  label: string
  value: number
  min: number
  max: number
  step?: number
  unit?: string
  onChange: (value: number) => void
}) {
  const id = useId()
  const [text, setText] = useState(String(value))
  useEffect(() => setText(String(Math.round(value * 10) / 10)), [value])
  const take = (written: string) => {
    const next = Number(written.replace(',', '.'))
    if (written.trim() !== '' && Number.isFinite(next)) onChange(Math.min(max, Math.max(min, next)))
    else setText(String(value))
  }
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="block text-xs text-soft">
        {label}
      </label>
      <div className="flex items-center gap-1">
        <input
          id={id}
          type="number"
          inputMode="decimal"
          className="w-full min-w-0 min-h-8 bg-sheet border border-edge px-2 text-sm tabular-nums"
          {...{ min, max, step }}
          value={text}
          onChange={(event) => {
            setText(event.target.value)
            if ((event.nativeEvent as InputEvent).inputType === undefined) take(event.target.value)
          }}
          onBlur={(event) => take(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && take(event.currentTarget.value)}
        />
        <span className="text-xs text-soft">{unit}</span>
      </div>
    </div>
  )
}

const GRID = NamedPoint.options
/** The nine points, as they lie on the thing. */
function PointGrid({ name, anchor, onChange }: { name: string; anchor: Anchor; onChange: (at: NamedPoint) => void }) {
  const { t } = useTexts()
  const names: Record<NamedPoint, string> = {
    'top-left': t('Top left'),
    top: t('Top'),
    'top-right': t('Top right'),
    left: t('Left'),
    middle: t('Middle'),
    right: t('Right'),
    'bottom-left': t('Bottom left'),
    bottom: t('Bottom'),
    'bottom-right': t('Bottom right'),
  }
  return (
    <div role="radiogroup" aria-label={name} className="grid grid-cols-3 w-24 border border-edge bg-sheet">
      {GRID.map((at) => (
        <label
          key={at}
          className="h-7 flex items-center justify-center cursor-pointer hover:bg-wash has-checked:bg-petrol has-focus-visible:outline-2"
          title={names[at]}
        >
          <input
            type="radio"
            className="sr-only peer"
            name={name}
            aria-label={names[at]}
            checked={anchor.at === at}
            onChange={() => onChange(at)}
          />
          <span className={`size-1.5 ${anchor.at === at ? 'bg-white' : 'bg-edge'}`} aria-hidden />
        </label>
      ))}
    </div>
  )
}

const useThings = (ground: Ground): { to: AttachedTo; name: string }[] => {
  const { t } = useTexts()
  return [
    ...(ground.element ? [{ to: 'element' as const, name: t('the element') }] : []),
    ...(ground.onto ? [{ to: 'onto' as const, name: t('where it is dragged to') }] : []),
    { to: 'picture' as const, name: t('the picture') },
  ]
}

/** What a point is attached to, which point of it, and how far from it. */
export function AnchorFields({
  name,
  anchor,
  ground,
  onChange,
}: {
  name: string
  anchor: Anchor
  ground: Ground
  onChange: (anchor: Anchor) => void
}) {
  const { t } = useTexts()
  const things = useThings(ground)
  const unit = unitOf(ground)
  const point = pointOf(anchor, ground)
  const free = typeof anchor.at !== 'string'
  const share = sharesOf(anchor.at)
  const id = useId()
  return (
    <fieldset className="border-t border-hair pt-2">
      <legend className="text-sm font-semibold pr-2">{name}</legend>
      <div className="mb-2">
        <label htmlFor={id} className="block text-xs text-soft">
          {t('Attached to')}
        </label>
        <select
          id={id}
          className="w-full min-h-8 bg-sheet border border-edge px-1 text-sm"
          value={things.some(({ to }) => to === anchor.to) ? anchor.to : ''}
          onChange={chosen((value: AttachedTo) => onChange(attachedTo(anchor, value, ground)))}
        >
          {!things.some(({ to }) => to === anchor.to) && <option value="">{t('something that is not here')}</option>}
          {things.map(({ to, name: words }) => (
            <option key={to} value={to}>
              {words}
            </option>
          ))}
        </select>
      </div>
      <div className="flex gap-3">
        <PointGrid name={`${name}: ${t('point')}`} anchor={anchor} onChange={(at) => onChange({ ...anchor, at })} />
        <div className="grow space-y-1">
          <NumberField label={t('Gap')} value={anchor.gapPx} min={0} max={1_000} onChange={(gapPx) => onChange({ ...anchor, gapPx })} />
          {free && <p className="text-xs text-soft">{t('Free point')}</p>}
        </div>
      </div>
      <div className="grid grid-cols-2 gap-2 mt-2">
        <NumberField
          label={t('Across')}
          unit="%"
          value={share.x * 100}
          min={-2_000}
          max={2_100}
          onChange={(x) => onChange({ ...anchor, at: { x: x / 100, y: share.y } })}
        />
        <NumberField
          label={t('Down')}
          unit="%"
          value={share.y * 100}
          min={-2_000}
          max={2_100}
          onChange={(y) => onChange({ ...anchor, at: { x: share.x, y: y / 100 } })}
        />
      </div>
      {point && (
        <p className="text-xs text-soft mt-1 tabular-nums">
          {t('In the picture at {{x}}, {{y}} px', { x: Math.round(point.x / unit), y: Math.round(point.y / unit) })}
        </p>
      )}
    </fieldset>
  )
}

/** An area: around the element with a gap, or a part of the picture. */
export function AreaFields({ name, area, ground, onChange }: { name: string; area: Area; ground: Ground; onChange: (area: Area) => void }) {
  const { t } = useTexts()
  const things = useThings(ground)
  const id = useId()
  const rect = areaOf(area, ground) ?? wholeOf(ground)
  const unit = unitOf(ground)
  const part = (key: 'x' | 'y' | 'width' | 'height', label: string) => (
    <NumberField
      label={label}
      value={rect[key] / unit}
      min={0}
      max={4_000}
      onChange={(value) => onChange(areaFrom({ ...rect, [key]: value * unit }, ground))}
    />
  )
  return (
    <fieldset className="border-t border-hair pt-2">
      <legend className="text-sm font-semibold pr-2">{name}</legend>
      <label htmlFor={id} className="block text-xs text-soft">
        {t('Attached to')}
      </label>
      <select
        id={id}
        className="w-full min-h-8 bg-sheet border border-edge px-1 text-sm mb-2"
        value={area.to}
        onChange={chosen((to: AttachedTo) => onChange(to === 'picture' ? areaFrom(rect, ground) : { to, gapPx: 3 }))}
      >
        {things.map(({ to, name: words }) => (
          <option key={to} value={to}>
            {words}
          </option>
        ))}
        {!things.some(({ to }) => to === area.to) && <option value={area.to}>{t('something that is not here')}</option>}
      </select>
      {area.to === 'picture' ? (
        <div className="grid grid-cols-2 gap-2">
          {part('x', t('From the left'))}
          {part('y', t('From the top'))}
          {part('width', t('Width'))}
          {part('height', t('Height'))}
        </div>
      ) : (
        <NumberField label={t('Gap')} value={area.gapPx} min={0} max={1_000} onChange={(gapPx) => onChange({ ...area, gapPx })} />
      )}
    </fieldset>
  )
}

/** A rectangle of the picture in numbers. @param unit pixels of the picture for one that is typed */
export function RectFields({
  name,
  rect,
  unit,
  children,
  onChange,
}: {
  name: string
  rect: Rect
  unit: number
  children?: ReactNode
  onChange: (rect: Rect) => void
}) {
  const { t } = useTexts()
  const part = (key: 'x' | 'y' | 'width' | 'height', label: string) => (
    <NumberField
      label={label}
      value={rect[key] / unit}
      min={key === 'x' || key === 'y' ? 0 : 1}
      max={4_000}
      onChange={(value) => onChange({ ...rect, [key]: Math.round(value * unit) })}
    />
  )
  return (
    <fieldset className="border-t border-hair pt-2">
      <legend className="text-sm font-semibold pr-2">{name}</legend>
      <div className="grid grid-cols-2 gap-2">
        {part('x', t('From the left'))}
        {part('y', t('From the top'))}
        {part('width', t('Width'))}
        {part('height', t('Height'))}
      </div>
      {children}
    </fieldset>
  )
}
