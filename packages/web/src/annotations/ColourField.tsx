import { hexFor, PALETTE } from '@jackdaw/core/annotations'
import type { Colour, Look } from '@jackdaw/core/guides'
import { useTexts } from '../ui/words/texts'

/** A colour: one of the palette, the company's, or one's own. */
export function ColourField({
  label,
  value,
  look,
  onChange,
}: {
  label: string
  value: Colour
  look: Pick<Look, 'colour'>
  onChange: (colour: Colour) => void
}) {
  const { t } = useTexts()
  const names: Record<keyof typeof PALETTE, string> = {
    kingfisher: t('kingfisher'),
    ink: t('ink'),
    petrol: t('petrol'),
    moss: t('moss'),
    plum: t('plum'),
    sky: t('sky'),
    straw: t('straw'),
    white: t('white'),
  }
  const swatch = (colour: Colour, name: string) => (
    <button
      key={colour + name}
      type="button"
      aria-label={name}
      title={name}
      aria-pressed={value === colour}
      className="size-7 border border-edge aria-pressed:outline-2 aria-pressed:outline-offset-1 aria-pressed:outline-petrol"
      style={{ background: hexFor(colour, look) }}
      onClick={() => onChange(colour)}
    />
  )
  return (
    <div>
      <p className="text-xs text-soft mb-1">{label}</p>
      <div className="flex flex-wrap gap-1.5 items-center" role="group" aria-label={label}>
        {Object.entries(PALETTE).map(([key, hex]) => swatch(hex, names[key as keyof typeof PALETTE]))}
        {swatch('company', t('the company’s colour'))}
        <input
          type="color"
          aria-label={t('{{label}}: own colour', { label })}
          title={t('Own colour')}
          className="size-7 border border-edge p-0 bg-sheet"
          value={hexFor(value, look)}
          onChange={(event) => onChange(event.target.value.toLowerCase())}
        />
      </div>
    </div>
  )
}
