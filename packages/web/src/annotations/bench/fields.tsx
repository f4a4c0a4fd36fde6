import { chosen, NumberField, Select } from '../../ui'
import { areaFrom, areaOf, unitOf, wholeOf, type Ground } from '@jackdaw/core/annotations'
import type { Area, AttachedTo, Rect } from '@jackdaw/core/guides'
import type { ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'

type Measured = { label: string; value: number; min: number; max: number; step?: number; unit?: string; onChange: (value: number) => void }

/** A measure on the picture, in tenths of its unit; taken over once it has been typed. */
export const Measure = ({ value, unit = 'px', ...rest }: Measured) => (
  <NumberField small late unit={unit} value={Math.round(value * 10) / 10} {...rest} />
)

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
  const rect = areaOf(area, ground) ?? wholeOf(ground)
  const unit = unitOf(ground)
  const part = (key: 'x' | 'y' | 'width' | 'height', label: string) => (
    <Measure
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
      <Select
        small
        label={t('It goes along with')}
        value={area.to}
        onChange={chosen((to: AttachedTo) => onChange(to === 'picture' ? areaFrom(rect, ground) : { to, gapPx: 3 }))}
      >
        {things.map(({ to, name: words }) => (
          <option key={to} value={to}>
            {words}
          </option>
        ))}
        {!things.some(({ to }) => to === area.to) && <option value={area.to}>{t('something that is not here')}</option>}
      </Select>
      {area.to === 'picture' ? (
        <div className="grid grid-cols-2 gap-2">
          {part('x', t('From the left'))}
          {part('y', t('From the top'))}
          {part('width', t('Width'))}
          {part('height', t('Height'))}
        </div>
      ) : (
        <Measure label={t('Distance')} value={area.gapPx} min={0} max={1_000} onChange={(gapPx) => onChange({ ...area, gapPx })} />
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
    <Measure
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
