import { Check, chosen, Select, TextField } from '../../ui'
import { HEAD_FACTS, type HeadFact, type Look } from '@jackdaw/core/guides'
import { useTexts } from '../../ui/words/texts'
import { LogoField } from './LogoField'
import { ColourField } from '../../annotations'

/** How guides look: for the company, or one guide's own. @param part sets some of it */
export function LookFields({ look, part }: { look: Look; part: (part: Partial<Look>) => void }) {
  const { t } = useTexts()
  const facts: Record<HeadFact, string> = {
    edition: t('Edition'),
    date: t('Published'),
    owner: t('Owner'),
    minutes: t('Takes about'),
    steps: t('Number of steps'),
  }
  return (
    <div className="space-y-3">
      <Group name={t('Company')} />
      <TextField label={t('Name in the head')} value={look.name} maxLength={120} onChange={(event) => part({ name: event.target.value })} />
      <LogoField logo={look.logo} onLogo={(logo) => part({ logo })} />
      <Group name={t('Colours and type')} />
      <label className="block text-sm font-semibold">
        {t('Company colour')}
        <input
          type="color"
          className="block mt-1 w-24 h-9 border border-edge bg-sheet"
          value={look.colour}
          onChange={(event) => part({ colour: event.target.value.toLowerCase() })}
        />
      </label>
      <Select label={t('Type of headlines')} value={look.type} onChange={chosen((value: Look['type']) => part({ type: value }))}>
        <option value="serif">Literata</option>
        <option value="sans">Source Sans</option>
      </Select>
      <AnnotationLook look={look} part={part} />
      <fieldset>
        <legend className="w-full text-base font-semibold border-b border-ink mb-1 pt-3">{t('Facts in the head of a guide')}</legend>
        {HEAD_FACTS.map((fact) => (
          <Check
            key={fact}
            label={facts[fact]}
            checked={look.head.includes(fact)}
            onChange={(event) =>
              part({ head: HEAD_FACTS.filter((each) => (each === fact ? event.target.checked : look.head.includes(each))) })
            }
          />
        ))}
      </fieldset>
    </div>
  )
}

const Group = ({ name }: { name: string }) => <h2 className="text-base border-b border-ink pt-3">{name}</h2>

/** Colour, sizes and type of everything drawn on pictures. */
function AnnotationLook({ look, part }: { look: Look; part: (part: Partial<Look>) => void }) {
  const { t } = useTexts()
  const sizes = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, n) => from + n)
  return (
    <>
      <ColourField
        label={t('Frames, arrows and shapes')}
        value={look.frameColour}
        look={look}
        onChange={(frameColour) => part({ frameColour })}
      />
      <Select label={t('Stroke')} value={look.framePx} onChange={(event) => part({ framePx: Number(event.target.value) })}>
        {sizes(1, 8).map((size) => (
          <option key={size} value={size}>
            {size} px
          </option>
        ))}
      </Select>
      <ColourField label={t('Labels and numbers')} value={look.labelColour} look={look} onChange={(labelColour) => part({ labelColour })} />
      <Select label={t('Size of labels')} value={look.labelPx} onChange={(event) => part({ labelPx: Number(event.target.value) })}>
        {sizes(12, 28).map((size) => (
          <option key={size} value={size}>
            {size} px
          </option>
        ))}
      </Select>
      <Select
        label={t('Type of labels')}
        value={look.labelFace}
        onChange={chosen((value: Look['labelFace']) => part({ labelFace: value }))}
      >
        <option value="sans">Source Sans</option>
        <option value="serif">Literata</option>
      </Select>
    </>
  )
}
