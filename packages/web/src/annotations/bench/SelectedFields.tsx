import { Button, Check, chosen, TextButton } from '../../ui'
import type { WayOfUse } from '@jackdaw/core/ways'
import { unitOf, type Drawn, type Ground } from '@jackdaw/core/annotations'
import type { Annotation, AnnotationKind, ArrowHeads, TagMeaning } from '@jackdaw/core/guides'
import type { ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { AreaFields, Measure } from './fields'
import { PlaceFields } from './PlaceFields'

const BOX = 'w-full bg-sheet border border-edge px-2 py-1 text-sm'

type Props = {
  annotation: Annotation
  drawn: Drawn | undefined
  ground: Ground
  way: WayOfUse['labels']
  /** It was made a moment ago: its words come next. */
  fresh: boolean
  onChange: (annotation: Annotation) => void
}

function Words({
  label,
  value,
  onChange,
  autoFocus = false,
}: {
  label: string
  value: string
  onChange: (words: string) => void
  autoFocus?: boolean
}) {
  return (
    <label className="block">
      <span className="block text-xs text-soft">{label}</span>
      <textarea
        rows={2}
        maxLength={600}
        className={BOX}
        value={value}
        autoFocus={autoFocus}
        data-annotation-words={autoFocus || undefined}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}

type OfKind<K extends AnnotationKind> = Extract<Annotation, { kind: K }>
type FieldsOf<K extends AnnotationKind> = Omit<Props, 'annotation'> & { annotation: OfKind<K> }

function PlainAreaFields({ annotation, ground, onChange }: FieldsOf<'frame' | 'rectangle' | 'ellipse' | 'blackout'>) {
  const { t } = useTexts()
  return <AreaFields name={t('Place')} area={annotation.area} ground={ground} onChange={(area) => onChange({ ...annotation, area })} />
}
function TextFields({ annotation, drawn, ground, fresh, onChange }: FieldsOf<'text'>) {
  const { t } = useTexts()
  return (
    <>
      <Words
        key={annotation.id}
        label={t('Words')}
        value={annotation.words}
        autoFocus={fresh}
        onChange={(words) => onChange({ ...annotation, words })}
      />
      <SizeFields {...{ annotation, drawn, ground, onChange }} />
      <PlaceFields name={t('Place')} anchor={annotation.at} ground={ground} onChange={(at) => onChange({ ...annotation, at })} />
    </>
  )
}

function TagFields({ annotation, ground, onChange }: FieldsOf<'tag'>) {
  const { t } = useTexts()
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <Measure
          label={t('Number')}
          unit=""
          value={annotation.number}
          min={0}
          max={999}
          onChange={(number) => onChange({ ...annotation, number: Math.round(number) })}
        />
        <label>
          <span className="block text-xs text-soft">{t('Stands for')}</span>
          <select
            className="w-full min-h-8 bg-sheet border border-edge px-1 text-sm"
            value={annotation.meaning}
            onChange={chosen((value: TagMeaning) => onChange({ ...annotation, meaning: value }))}
          >
            <option value="sequence">{t('a sequence')}</option>
            <option value="key-point">{t('! a key point')}</option>
            <option value="measure">{t('↔ a measure')}</option>
            <option value="note">{t('i a note')}</option>
          </select>
        </label>
      </div>
      <PlaceFields name={t('Place')} anchor={annotation.at} ground={ground} onChange={(at) => onChange({ ...annotation, at })} />
    </>
  )
}

function ArrowFields({ annotation, ground, onChange }: FieldsOf<'arrow'>) {
  const { t } = useTexts()
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <Measure
          label={t('Bend (+ clockwise)')}
          unit="%"
          value={annotation.bend}
          min={-150}
          max={150}
          step={5}
          onChange={(bend) => onChange({ ...annotation, bend })}
        />
        <label>
          <span className="block text-xs text-soft">{t('Head')}</span>
          <select
            className="w-full min-h-8 bg-sheet border border-edge px-1 text-sm"
            value={annotation.heads}
            onChange={chosen((value: ArrowHeads) => onChange({ ...annotation, heads: value }))}
          >
            <option value="end">{t('at the end')}</option>
            <option value="start">{t('at the start')}</option>
            <option value="both">{t('at both ends')}</option>
            <option value="none">{t('none')}</option>
          </select>
        </label>
      </div>
      <PlaceFields name={t('Points to')} anchor={annotation.to} ground={ground} onChange={(to) => onChange({ ...annotation, to })} />
      <PlaceFields name={t('Starts at')} anchor={annotation.from} ground={ground} onChange={(from) => onChange({ ...annotation, from })} />
    </>
  )
}

function InsetFields({ annotation, ground, onChange }: FieldsOf<'inset'>) {
  const { t } = useTexts()
  return (
    <>
      <Measure
        label={t('Enlarged')}
        unit="×"
        value={annotation.zoom}
        min={1}
        max={8}
        step={0.5}
        onChange={(zoom) => onChange({ ...annotation, zoom })}
      />
      <AreaFields name={t('Detail')} area={annotation.detail} ground={ground} onChange={(detail) => onChange({ ...annotation, detail })} />
      <PlaceFields name={t('Place')} anchor={annotation.at} ground={ground} onChange={(at) => onChange({ ...annotation, at })} />
    </>
  )
}

/** What can be set of every kind of annotation. */
const FIELDS: { readonly [K in AnnotationKind]: (props: FieldsOf<K>) => ReactNode } = {
  frame: PlainAreaFields,
  rectangle: PlainAreaFields,
  ellipse: PlainAreaFields,
  blackout: PlainAreaFields,
  label: LabelFields,
  text: TextFields,
  tag: TagFields,
  arrow: ArrowFields,
  inset: InsetFields,
}

/** Everything about the annotation that is selected, in numbers and words. */
export function SelectedFields(props: Props) {
  const Fields = FIELDS[props.annotation.kind] as (props: Props) => ReactNode
  return <Fields {...props} />
}

function SizeFields({
  annotation,
  drawn,
  ground,
  onChange,
}: {
  annotation: Extract<Annotation, { kind: 'label' | 'text' }>
  drawn: Drawn | undefined
  ground: Ground
  onChange: Props['onChange']
}) {
  const { t } = useTexts()
  const unit = unitOf(ground)
  const found = { widthPx: (drawn?.slip?.width ?? 0) / unit, heightPx: (drawn?.slip?.height ?? 0) / unit }
  const { size } = annotation
  return (
    <div>
      <div className="grid grid-cols-2 gap-2">
        <Measure
          label={t('Width')}
          value={found.widthPx}
          min={0}
          max={2_000}
          onChange={(widthPx) => onChange({ ...annotation, size: { widthPx, heightPx: size?.heightPx ?? 0 } })}
        />
        <Measure
          label={t('Height')}
          value={found.heightPx}
          min={0}
          max={2_000}
          onChange={(heightPx) => onChange({ ...annotation, size: { widthPx: size?.widthPx ?? 0, heightPx } })}
        />
      </div>
      {size ? (
        <TextButton
          className="text-sm"
          onClick={() => {
            const { size: _, ...rest } = annotation
            onChange(rest)
          }}
        >
          {t('Size from its words')}
        </TextButton>
      ) : (
        <p className="text-xs text-soft mt-1">{t('Found from its words; never smaller than they need.')}</p>
      )}
    </div>
  )
}

function LabelFields({ annotation, drawn, ground, way, fresh, onChange }: FieldsOf<'label'>) {
  const { t } = useTexts()
  const parted = annotation.practisePlace !== undefined
  const place = (way === 'practise' ? annotation.practisePlace : undefined) ?? annotation.place
  const set = (part: { dx?: number; dy?: number }) => {
    const unit = unitOf(ground)
    const { slip, dot } = drawn ?? {}
    const now = place ?? {
      dx: slip && dot ? (slip.x + slip.width / 2 - dot.x) / unit : 0,
      dy: slip && dot ? (slip.y + slip.height / 2 - dot.y) / unit : 0,
    }
    const next = { ...now, ...part }
    onChange(way === 'practise' && parted ? { ...annotation, practisePlace: next } : { ...annotation, place: next })
  }
  const free = () => {
    const { place: _, practisePlace: __, ...rest } = annotation
    onChange(rest)
  }
  return (
    <>
      <Words
        key={annotation.id}
        label={t('Words')}
        value={annotation.words}
        autoFocus={fresh}
        onChange={(words) => onChange({ ...annotation, words })}
      />
      <Words
        label={t('In Practise it says (empty: the same)')}
        value={annotation.practiseWords ?? ''}
        onChange={(practiseWords) => {
          const { practiseWords: _, ...rest } = annotation
          onChange(practiseWords === '' ? rest : { ...rest, practiseWords })
        }}
      />
      <Check
        label={t('Stands elsewhere in Practise')}
        checked={parted}
        onChange={(event) => {
          const { practisePlace: _, ...rest } = annotation
          const unit = unitOf(ground)
          const { slip, dot } = drawn ?? {}
          const here = place ?? {
            dx: slip && dot ? Math.round((slip.x + slip.width / 2 - dot.x) / unit) : 0,
            dy: slip && dot ? Math.round((slip.y + slip.height / 2 - dot.y) / unit) : 60,
          }
          onChange(event.target.checked ? { ...rest, practisePlace: here } : rest)
        }}
      />
      <SizeFields {...{ annotation, drawn, ground, onChange }} />
      <fieldset className="border-t border-hair pt-2">
        <legend className="text-sm font-semibold pr-2">{t('Distance of the words from the dot')}</legend>
        {place ? (
          <>
            <div className="grid grid-cols-2 gap-2">
              <Measure label={t('To the right')} value={place.dx} min={-4_000} max={4_000} onChange={(dx) => set({ dx })} />
              <Measure label={t('Down')} value={place.dy} min={-4_000} max={4_000} onChange={(dy) => set({ dy })} />
            </div>
            <Button className="text-sm mt-2" onClick={free}>
              {t('Place it for me')}
            </Button>
          </>
        ) : (
          <p className="text-xs text-soft">
            {t('It places itself. Drag it, or move it with the arrow keys, to put it somewhere.')}{' '}
            <TextButton onClick={() => set({})}>{t('Put it where it is')}</TextButton>
          </p>
        )}
      </fieldset>
      <PlaceFields
        name={t('The dot: what the words point at')}
        anchor={annotation.at}
        ground={ground}
        onChange={(at) => onChange({ ...annotation, at })}
      />
    </>
  )
}
