import { Button, chosen } from '../../ui'
import { LEAST_CONTRAST, styleOf } from '@jackdaw/core/annotations'
import type { Annotation, AnnotationStyle, Look } from '@jackdaw/core/guides'
import { useTexts } from '../../ui/words/texts'
import { ColourField } from '../ColourField'
import { Measure } from './fields'

/** How one annotation looks, where it is to differ from the guide. */
export function StyleFields({
  annotation,
  look,
  contrast,
  onChange,
}: {
  annotation: Annotation
  look: Look
  /** To what is under it in the picture; `null` where that is not measured. */
  contrast: number | null
  onChange: (annotation: Annotation) => void
}) {
  const { t } = useTexts()
  const guide = styleOf(annotation.kind, look)
  const now = { ...guide, ...annotation.style }
  const strays = annotation.style !== undefined && Object.keys(annotation.style).length > 0
  const set = (part: Partial<AnnotationStyle>) => onChange({ ...annotation, style: { ...annotation.style, ...part } })
  const worded = annotation.kind === 'label' || annotation.kind === 'text' || annotation.kind === 'tag'
  if (annotation.kind === 'blackout') return null
  return (
    <fieldset className="border-t border-hair pt-2 space-y-2">
      <legend className="text-sm font-semibold pr-2">{t('Style')}</legend>
      <ColourField label={t('Colour')} value={now.colour} look={look} onChange={(colour) => set({ colour })} />
      {worded ? (
        <div className="grid grid-cols-2 gap-2">
          <Measure label={t('Size of type')} value={now.typePx} min={12} max={40} onChange={(typePx) => set({ typePx })} />
          <div>
            <label className="block text-xs text-soft" htmlFor={`face-${annotation.id}`}>
              {t('Type')}
            </label>
            <select
              id={`face-${annotation.id}`}
              className="w-full min-h-8 bg-sheet border border-edge px-1 text-sm"
              value={now.face}
              onChange={chosen((value: 'sans' | 'serif') => set({ face: value }))}
            >
              <option value="sans">Source Sans</option>
              <option value="serif">Literata</option>
            </select>
          </div>
        </div>
      ) : (
        annotation.kind !== 'inset' && (
          <Measure label={t('Stroke')} value={now.strokePx} min={1} max={12} step={0.5} onChange={(strokePx) => set({ strokePx })} />
        )
      )}
      {contrast !== null &&
        (contrast >= LEAST_CONTRAST ? (
          <p className="text-xs text-soft tabular-nums">{t('Contrast to the picture {{n}} : 1', { n: contrast.toFixed(1) })}</p>
        ) : (
          <p className="text-sm text-ochre font-semibold">
            {t('Hard to see here: contrast {{n}} : 1, at least {{least}} : 1. Take another colour or place.', {
              n: contrast.toFixed(1),
              least: LEAST_CONTRAST,
            })}
          </p>
        ))}
      {strays && (
        <Button
          className="text-sm"
          onClick={() => {
            const { style: _, ...rest } = annotation
            onChange(rest)
          }}
        >
          {t('As in the guide')}
        </Button>
      )}
    </fieldset>
  )
}
