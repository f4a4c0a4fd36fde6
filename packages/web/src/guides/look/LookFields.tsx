import { Button, Check, chosen, Select, TextField } from '../../ui'
import { HEAD_FACTS, type HeadFact, type Look } from '@jackdaw/core/guides'
import { useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { ColourField } from '../../annotations'

const MOST_LOGO_PX = 320
/** A picture file as a small PNG in a data address. */
async function logoFrom(file: File): Promise<string> {
  const bitmap = await createImageBitmap(file)
  const scale = Math.min(1, MOST_LOGO_PX / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * scale))
  canvas.height = Math.max(1, Math.round(bitmap.height * scale))
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  return canvas.toDataURL('image/png')
}

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

function LogoField({ logo, onLogo }: { logo: string; onLogo: (logo: string) => void }) {
  const { t } = useTexts()
  const input = useRef<HTMLInputElement>(null)
  const [bad, setBad] = useState('')
  return (
    <div>
      <p className="text-sm font-semibold mb-1">{t('Logo')}</p>
      <div className="flex flex-wrap gap-2 items-center">
        {logo && <img src={logo} alt={t('Logo')} className="h-10 max-w-36 object-contain border border-hair bg-sheet" />}
        <Button className="text-sm" onClick={() => input.current?.click()}>
          {logo ? t('Another logo …') : t('Choose a logo …')}
        </Button>
        {logo && (
          <Button look="quiet" className="text-sm" onClick={() => onLogo('')}>
            {t('No logo')}
          </Button>
        )}
        <input
          ref={input}
          type="file"
          accept="image/png,image/jpeg,image/webp"
          hidden
          onChange={(event) => {
            const [file] = event.target.files ?? []
            event.target.value = ''
            if (!file) return
            logoFrom(file).then(
              (next) =>
                next.length > 300_000 ? setBad(t('This logo is too large. Take a simpler or smaller one.')) : (setBad(''), onLogo(next)),
              () => setBad(t('This file is no picture that can be read. The logo is as it was.')),
            )
          }}
        />
      </div>
      {bad && <p className="text-sm text-brick">{bad}</p>}
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
