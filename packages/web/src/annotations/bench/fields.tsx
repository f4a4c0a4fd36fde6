import { chosen } from '../../ui'
import { areaFrom, areaOf, unitOf, wholeOf, type Ground } from '@jackdaw/core/annotations'
import type { Area, AttachedTo, Rect } from '@jackdaw/core/guides'
import { useEffect, useId, useState, type ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'

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

/** What something on the picture can be attached to. */
export const useThings = (ground: Ground): { to: AttachedTo; name: string }[] => {
  const { t } = useTexts()
  return [
    ...(ground.element ? [{ to: 'element' as const, name: t('the element') }] : []),
    ...(ground.onto ? [{ to: 'onto' as const, name: t('where it is dragged to') }] : []),
    { to: 'picture' as const, name: t('the picture') },
  ]
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
        {t('It goes along with')}
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
        <NumberField label={t('Distance')} value={area.gapPx} min={0} max={1_000} onChange={(gapPx) => onChange({ ...area, gapPx })} />
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
