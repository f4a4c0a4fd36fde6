import { nth } from '@jackdaw/core/shared'
import { darkened } from '@jackdaw/core/annotations'
import { HEAD_FACTS, type HeadFact, type Look, type Step } from '@jackdaw/core/guides'
import { useTexts } from '../../ui/words/texts'
import { AnnotatedPicture } from '../../annotations'
import { dayOf } from '../../ui'

const PICTURE = 'sample-picture-000000' as Step['pictures'][number]['id']
const GROUND =
  'data:image/svg+xml,' +
  encodeURIComponent(
    '<svg xmlns="http://www.w3.org/2000/svg" width="760" height="380"><rect width="760" height="380" fill="#f6f4ee"/><rect width="760" height="46" fill="#2d4a3a"/><rect x="40" y="90" width="420" height="34" fill="#fff" stroke="#9aa3a8"/><rect x="40" y="150" width="420" height="34" fill="#fff" stroke="#9aa3a8"/><rect x="520" y="230" width="150" height="44" fill="#2d4a3a"/></svg>',
  )

/** A made-up picture with one of each, as guides would show it. */
export function LookSample({ look }: { look: Look }) {
  const { t } = useTexts()
  const at = (x: number, y: number) => ({ to: 'picture' as const, at: { x: x / 760, y: y / 380 }, gapPx: 0 })
  const part = (x: number, y: number, width: number, height: number) => ({
    to: 'picture' as const,
    rect: { x: x / 760, y: y / 380, width: width / 760, height: height / 380 },
  })
  const step: Step = {
    kind: 'step',
    id: 'sample-step-000000000' as Step['id'],
    body: { type: 'doc', content: [] },
    pictures: [
      {
        id: PICTURE,
        alt: t('A sample of annotations'),
        annotations: [
          { id: 'sample-frame', kind: 'frame', area: part(516, 226, 158, 52) },
          { id: 'sample-label', kind: 'label', words: t('Saves what you have entered'), at: at(670, 252) },
          { id: 'sample-field', kind: 'label', words: t('Name of the customer'), at: at(460, 107) },
          { id: 'sample-tag', kind: 'tag', number: 1, meaning: 'sequence', at: at(40, 107) },
          { id: 'sample-tag-2', kind: 'tag', number: 2, meaning: 'key-point', at: at(40, 167) },
          { id: 'sample-arrow', kind: 'arrow', from: at(250, 200), to: at(505, 255), bend: -40, heads: 'end' },
        ],
      },
    ],
  }
  const colour = darkened(look.colour, 4.5)
  const facts: Record<HeadFact, [name: string, sample: string]> = {
    edition: [t('Edition'), '3'],
    date: [t('Published'), dayOf('2026-03-10')],
    owner: [t('Owner'), t('whoever owns it')],
    minutes: [t('Takes about'), t('{{minutes}} min', { minutes: 5 })],
    steps: [t('Steps'), '9'],
  }
  return (
    <div className="bg-sheet border border-hair p-5">
      <div className="border-b-2 pb-2 mb-4" style={{ borderColor: colour }}>
        <p className="flex items-center gap-3 text-sm font-semibold min-h-6" style={{ color: colour }}>
          {look.logo && <img src={look.logo} alt="" className="h-9 max-w-40 object-contain" />}
          {look.name}
        </p>
        <p className={`${look.type === 'serif' ? 'font-serif' : 'font-sans'} text-2xl font-semibold`}>{t('A guide of yours')}</p>
        <dl className="flex flex-wrap gap-x-5 text-sm">
          {HEAD_FACTS.filter((fact) => look.head.includes(fact)).map((fact) => (
            <div key={fact} className="flex gap-1.5">
              <dt className="text-soft">{facts[fact][0]}</dt>
              <dd className="font-semibold">{facts[fact][1]}</dd>
            </div>
          ))}
        </dl>
      </div>
      <AnnotatedPicture
        step={step}
        picture={nth(step.pictures, 0)}
        sizes={{ [PICTURE]: { widthPx: 760, heightPx: 380 } }}
        look={look}
        source={() => GROUND}
      />
    </div>
  )
}
