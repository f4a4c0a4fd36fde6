import { QUIZ_LIMITS, type KeyOf } from '@jackdaw/core/quizzes'
import { nanoid } from 'nanoid'
import { useRef, useState, type PointerEvent } from 'react'
import { Button, Failed, NumberField, TextField } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import { useFilesHere } from '../filesHere'
import type { FieldsOf } from './fieldsOf'

type Area = KeyOf<'place'>['areas'][number]
type Point = { x: number; y: number }
const held = (share: number) => Math.min(1, Math.max(0, share))
/** Smaller than this nobody can hit it. */
const LEAST = 0.02

const between = (a: Point, b: Point): Omit<Area, 'id'> => ({
  ...{ x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), width: Math.abs(a.x - b.x), height: Math.abs(a.y - b.y) },
})
const rect = ({ x, y, width, height }: Omit<Area, 'id'>) => ({
  ...{ left: `${x * 100}%`, top: `${y * 100}%`, width: `${width * 100}%`, height: `${height * 100}%` },
})

/** A picture, and the areas on it that are right: drawn by the pointer, or entered. */
export function PlaceFields({ question: { ask, key }, onChange }: FieldsOf<'place'>) {
  const { t } = useTexts()
  const { picture } = ask
  return (
    <>
      <PlacePicture {...{ ask, key_: key, onChange }} />
      {picture && (
        <>
          <TextField
            label={t('What it shows')}
            hint={t('For those who cannot see it.')}
            maxLength={QUIZ_LIMITS.alt}
            value={picture.alt}
            onChange={(event) => onChange({ ask: { picture: { ...picture, alt: event.target.value } } })}
          />
          <Areas areas={key.areas} onChange={(areas) => onChange({ key: { areas } })} />
        </>
      )}
    </>
  )
}

type PictureProps = { ask: FieldsOf<'place'>['question']['ask']; key_: KeyOf<'place'>; onChange: FieldsOf<'place'>['onChange'] }
function PlacePicture({ ask: { picture }, key_: { areas }, onChange }: PictureProps) {
  const { t } = useTexts()
  const { source, add } = useFilesHere()
  const input = useRef<HTMLInputElement>(null)
  const [state, setState] = useState<{ busy: boolean; error: unknown }>({ busy: false, error: null })
  const pick = async (file: File) => {
    setState({ busy: true, error: null })
    try {
      const { id } = await add(file)
      onChange({ ask: { picture: { id, alt: '' } }, key: { areas: [] } })
      setState({ busy: false, error: null })
    } catch (error) {
      setState({ busy: false, error })
    }
  }
  return (
    <div className="space-y-2">
      {picture && (
        <>
          <p className="text-sm font-semibold">{t('Draw what is right')}</p>
          <DrawnAreas
            src={source.picture(picture.id)}
            alt={picture.alt}
            areas={areas}
            onDraw={(area) => areas.length < QUIZ_LIMITS.areas && onChange({ key: { areas: [...areas, { id: nanoid(), ...area }] } })}
          />
        </>
      )}
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp,image/gif"
        className="sr-only"
        tabIndex={-1}
        aria-label={t('Choose a picture')}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          event.target.value = ''
          if (file) void pick(file)
        }}
      />
      <Button disabled={state.busy} onClick={() => input.current?.click()}>
        {state.busy ? t('Storing …') : picture ? t('Another picture …') : t('Choose a picture')}
      </Button>
      {state.error != null && <Failed error={state.error} />}
    </div>
  )
}

/** The picture, on which areas are drawn. */
function DrawnAreas({
  src,
  alt,
  areas,
  onDraw,
}: {
  src: string
  alt: string
  areas: readonly Area[]
  onDraw: (area: Omit<Area, 'id'>) => void
}) {
  const [drawn, setDrawn] = useState<{ from: Point; to: Point } | null>(null)
  const at = (event: PointerEvent<HTMLElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect()
    return { x: held((event.clientX - box.left) / box.width), y: held((event.clientY - box.top) / box.height) }
  }
  const live = drawn && between(drawn.from, drawn.to)
  return (
    <div
      className="relative inline-block max-w-full touch-none select-none cursor-crosshair border border-hair"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        setDrawn({ from: at(event), to: at(event) })
      }}
      onPointerMove={(event) => drawn && setDrawn({ ...drawn, to: at(event) })}
      onPointerCancel={() => setDrawn(null)}
      onPointerUp={() => {
        if (live && live.width >= LEAST && live.height >= LEAST) onDraw(live)
        setDrawn(null)
      }}
    >
      <img src={src} alt={alt} className="max-w-full max-h-[60vh] block" draggable={false} />
      {areas.map((area, n) => (
        <span key={area.id} className="absolute border-2 border-dashed border-ink bg-sheet/40" style={rect(area)}>
          <span className="absolute left-0 top-0 bg-ink text-sheet text-xs px-1">{n + 1}</span>
        </span>
      ))}
      {live && <span className="absolute border-2 border-petrol bg-sheet/40" style={rect(live)} />}
    </div>
  )
}

/** The areas in figures, for the keyboard. */
function Areas({ areas, onChange }: { areas: readonly Area[]; onChange: (areas: Area[]) => void }) {
  const { t } = useTexts()
  const sides = { x: t('From left'), y: t('From top'), width: t('Width'), height: t('Height') } as const
  const put = (n: number, side: keyof typeof sides, percent: number) =>
    onChange(areas.map((each, at) => (at === n ? { ...each, [side]: held(percent / 100) } : each)))
  return (
    <fieldset className="space-y-2">
      <legend className="text-sm font-semibold mb-1">{t('Areas that are right')}</legend>
      {areas.length === 0 && <p className="text-soft">{t('None yet. Draw one on the picture, or add one and say where it is.')}</p>}
      {areas.map((area, n) => (
        <div key={area.id} className="flex flex-wrap gap-2 items-end">
          <span className="w-5 tabular-nums pb-1">{n + 1}</span>
          {(Object.keys(sides) as (keyof typeof sides)[]).map((side) => (
            <div key={side} className="w-24">
              <NumberField
                small
                label={sides[side]}
                unit="%"
                min={0}
                max={100}
                value={Math.round(area[side] * 1_000) / 10}
                onChange={(percent) => put(n, side, percent)}
              />
            </div>
          ))}
          <Button look="quiet" onClick={() => onChange(areas.filter((_, at) => at !== n))}>
            {t('Take it out')}
          </Button>
        </div>
      ))}
      <Button
        disabled={areas.length >= QUIZ_LIMITS.areas}
        onClick={() => onChange([...areas, { id: nanoid(), x: 0.4, y: 0.4, width: 0.2, height: 0.2 }])}
      >
        {t('Add an area')}
      </Button>
    </fieldset>
  )
}
