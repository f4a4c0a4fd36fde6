import { attachedTo, sharesOf, type Ground } from '@jackdaw/core/annotations'
import { NamedPoint, type Anchor, type AttachedTo } from '@jackdaw/core/guides'
import { useId } from 'react'
import { chosen } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { Measure, useThings } from './fields'

/** Where each of the nine points lies on the drawing, in hundredths of it. */
const ON_DRAWING: Record<NamedPoint, { left: number; top: number }> = {
  'top-left': { left: 22, top: 24 },
  top: { left: 50, top: 24 },
  'top-right': { left: 78, top: 24 },
  left: { left: 22, top: 50 },
  middle: { left: 50, top: 50 },
  right: { left: 78, top: 50 },
  'bottom-left': { left: 22, top: 76 },
  bottom: { left: 50, top: 76 },
  'bottom-right': { left: 78, top: 76 },
}

/** A small drawing of the thing with nine points on it, one of which is chosen. */
function Drawing({ name, anchor, onChange }: { name: string; anchor: Anchor; onChange: (at: NamedPoint) => void }) {
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
    <div role="radiogroup" aria-label={name} className="relative w-36 h-26 shrink-0">
      <div
        aria-hidden
        className="absolute left-[22%] right-[22%] top-[24%] bottom-[24%] border-2 border-ink bg-[repeating-linear-gradient(135deg,var(--color-hair)_0_1px,transparent_1px_7px)] bg-sheet"
      />
      {NamedPoint.options.map((at) => {
        const { left, top } = ON_DRAWING[at]
        return (
          <label
            key={at}
            className="absolute size-7 -translate-1/2 flex items-center justify-center cursor-pointer rounded-full has-focus-visible:outline-2 group"
            style={{ left: `${left}%`, top: `${top}%` }}
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
            <span
              aria-hidden
              className={`rotate-45 border-2 ${anchor.at === at ? 'size-4 bg-petrol border-white outline-2 outline-petrol' : 'size-2.5 bg-sheet border-ink group-hover:bg-ink'}`}
            />
          </label>
        )
      })}
    </div>
  )
}

/** A free point of the picture, in hundredths of it. */
function FreePoint({ anchor, onChange }: { anchor: Anchor; onChange: (anchor: Anchor) => void }) {
  const { t } = useTexts()
  const { x, y } = sharesOf(anchor.at)
  const part = (label: string, value: number, set: (share: number) => void) => (
    <Measure label={label} unit="%" value={value * 100} min={-2_000} max={2_100} onChange={(next) => set(next / 100)} />
  )
  return (
    <>
      {part(t('From the left'), x, (next) => onChange({ ...anchor, at: { x: next, y } }))}
      {part(t('From the top'), y, (next) => onChange({ ...anchor, at: { x, y: next } }))}
    </>
  )
}

/** How far from its point something stands: one distance, and where that is not enough a fine shift. */
function Away({ anchor, onChange }: { anchor: Anchor; onChange: (anchor: Anchor) => void }) {
  const { t } = useTexts()
  const { dx, dy } = anchor.shift ?? { dx: 0, dy: 0 }
  const shift = (next: { dx: number; dy: number }) => {
    const { shift: _, ...rest } = anchor
    onChange(next.dx === 0 && next.dy === 0 ? rest : { ...rest, shift: next })
  }
  return (
    <>
      <Measure label={t('Distance')} value={anchor.gapPx} min={0} max={1_000} onChange={(gapPx) => onChange({ ...anchor, gapPx })} />
      <details open={anchor.shift !== undefined}>
        <summary className="text-xs text-petrol min-h-6 cursor-pointer">{t('Fine shift')}</summary>
        <div className="grid grid-cols-2 gap-2">
          <Measure label={t('To the right')} value={dx} min={-1_000} max={1_000} onChange={(next) => shift({ dx: next, dy })} />
          <Measure label={t('Down')} value={dy} min={-1_000} max={1_000} onChange={(next) => shift({ dx, dy: next })} />
        </div>
      </details>
    </>
  )
}

/** What a point is attached to, which point of it, and how far from it. */
export function PlaceFields({
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
  const free = typeof anchor.at !== 'string'
  const id = useId()
  return (
    <fieldset className="border-t border-hair pt-2">
      <legend className="text-sm font-semibold pr-2">{name}</legend>
      <label htmlFor={id} className="block text-xs text-soft">
        {t('It goes along with')}
      </label>
      <select
        id={id}
        className="w-full min-h-8 bg-sheet border border-edge px-1 text-sm mb-1"
        value={things.some(({ to }) => to === anchor.to) ? anchor.to : ''}
        onChange={chosen((to: AttachedTo) => onChange(attachedTo(anchor, to, ground)))}
      >
        {!things.some(({ to }) => to === anchor.to) && <option value="">{t('something that is not here')}</option>}
        {things.map(({ to, name: words }) => (
          <option key={to} value={to}>
            {words}
          </option>
        ))}
      </select>
      <div className="flex gap-2 items-start">
        <Drawing name={`${name}: ${t('point')}`} anchor={anchor} onChange={(at) => onChange({ ...anchor, at })} />
        <div className="grow min-w-0 space-y-1">
          {!free && <Away anchor={anchor} onChange={onChange} />}
          {free && anchor.to === 'picture' && <FreePoint anchor={anchor} onChange={onChange} />}
          {free && anchor.to !== 'picture' && (
            <p className="text-xs text-soft">{t('A point of your own. Drag it, or choose one of the nine.')}</p>
          )}
        </div>
      </div>
    </fieldset>
  )
}
