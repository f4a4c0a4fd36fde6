import type { WayOfUse } from '@jackdaw/core/ways'
import {
  drawAnnotations,
  groundOf,
  hiddenAreas,
  READING_WIDTH_PX,
  widestOf,
  wholeOf,
  type Drawing,
  type Ground,
  type Side,
} from '@jackdaw/core/annotations'
import type { Look, PictureSizes, Rect, Step, StepPicture } from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import { useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'
import { ShapesSvg } from './ShapesSvg'
import { PendingBlackouts } from './usePending'

export type PictureProps = {
  step: Step
  picture: StepPicture
  sizes: PictureSizes
  look: Look
  /** Side on which the labels of the step before stand. */
  prefer?: Side | null
  way?: WayOfUse['labels']
  /** Address of a stored picture. */
  source: (id: PictureId) => string
  onFailed?: () => void
  /** Tallest that it is shown, as CSS length. */
  maxHeight?: string
  /** Whether it is near the screen; until then only its room is kept. Left out: always. */
  near?: boolean
  /** Draws the picture only, without what stands on it. */
  bare?: boolean
  /** Lies over the picture, in shares of what is shown of it. */
  over?: ReactNode
  /** Shown as large as there is room, also larger than it is. */
  fills?: boolean
}

/** Width in CSS pixels at which an element is shown; measured once it is near the screen. */
function useShownWidth(box: React.RefObject<HTMLDivElement | null>, near: boolean): number {
  const [shownPx, setShownPx] = useState(READING_WIDTH_PX)
  useEffect(() => {
    const { current } = box
    if (!current || !near) return
    const measure = () => current.clientWidth > 0 && setShownPx(current.clientWidth)
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(current)
    return () => observer.disconnect()
  }, [box, near])
  return shownPx
}

/** The stored pictures of a place, each where it lies on the whole: one that fills it, or those on a sheet. */
export const layersOf = (
  picture: StepPicture,
  ground: Ground,
): { id: PictureId; rect: { x: number; y: number; width: number; height: number } }[] =>
  picture.sheet ? picture.sheet.pictures : [{ id: picture.id, rect: wholeOf(ground) }]

const percent = (share: number) => `${share * 100}%`

/** A picture with everything drawn over it, as sharp as the screen allows. Words that would be too small to be read stand in a numbered
 * list under it; for screen readers all words are in a list. */
export function AnnotatedPicture(props: PictureProps) {
  const { step, picture, sizes, look, prefer = null, way = 'read', source, onFailed, near = true, bare = false } = props
  const box = useRef<HTMLDivElement>(null)
  const shownPx = useShownWidth(box, near)
  const ground = useMemo(() => groundOf(step, picture, sizes[picture.id]), [step, picture, sizes])
  const pending = useContext(PendingBlackouts)
  const hidden = useMemo(() => hiddenAreas(picture, pending, sizes), [picture, pending, sizes])
  const drawing = useMemo<Drawing | null>(
    () =>
      ground && near && (!bare || hidden.length > 0)
        ? drawAnnotations(bare ? [] : (picture.annotations ?? []), ground, { look, way, shownPx }, prefer, hidden)
        : null,
    [ground, near, picture.annotations, look, way, shownPx, prefer, bare, hidden],
  )
  // What is to be hidden cannot be as long as nobody knows how large the picture is: then it is not shown at all.
  if (!ground && picture.annotations?.some((each) => each.kind === 'blackout')) return <p className="p-4 text-soft">{picture.alt}</p>
  if (!ground)
    return (
      <div ref={box}>
        <img
          src={source(picture.id)}
          alt={picture.alt}
          className="max-w-full h-auto block"
          loading={near ? 'eager' : 'lazy'}
          onError={onFailed}
        />
      </div>
    )
  return (
    <div>
      <Framed {...props} {...{ box, ground, drawing }} />
      {drawing && drawing.listed.length > 0 ? <Listed listed={drawing.listed} /> : !bare && <WordsOnIt picture={picture} />}
    </div>
  )
}

/** What is shown of the picture, as wide as there is room, with what lies over it. */
function Framed({
  picture,
  source,
  onFailed,
  maxHeight,
  near = true,
  over,
  fills = false,
  box,
  ground,
  drawing,
}: PictureProps & { box: React.RefObject<HTMLDivElement | null>; ground: Ground; drawing: Drawing | null }) {
  const { shown } = ground
  const layers = layersOf(picture, ground)
  const own = `${Math.ceil(widestOf(ground))}px`
  return (
    <div
      ref={box}
      className="relative overflow-hidden bg-sheet outline outline-hair"
      style={{
        aspectRatio: `${shown.width} / ${shown.height}`,
        width: '100%',
        maxWidth: maxHeight ? `min(${fills ? '100%' : own}, calc(${maxHeight} * ${shown.width / shown.height}))` : own,
      }}
      data-picture={picture.id}
    >
      {near &&
        layers.map(({ id, rect }, n) => (
          <img
            key={`${id}-${n}`}
            src={source(id)}
            alt={n === 0 ? picture.alt : ''}
            className="absolute max-w-none block"
            style={{
              left: percent((rect.x - shown.x) / shown.width),
              top: percent((rect.y - shown.y) / shown.height),
              width: percent(rect.width / shown.width),
              height: percent(rect.height / shown.height),
            }}
            decoding="async"
            onError={onFailed}
          />
        ))}
      {drawing && <Overlay {...{ drawing, layers, source }} shown={shown} />}
      {over}
    </div>
  )
}

/** For screen readers: what is written on the picture. */
function WordsOnIt({ picture }: { picture: StepPicture }) {
  const { t } = useTexts()
  const words = (picture.annotations ?? []).flatMap((each) => (each.kind === 'label' || each.kind === 'text' ? [each.words] : []))
  if (words.length === 0) return null
  return (
    <ul className="sr-only" aria-label={t('On the picture')}>
      {words.map((each, n) => (
        <li key={n}>{each}</li>
      ))}
    </ul>
  )
}

/** Words that would be too small on the picture, under it by their numbers. */
function Listed({ listed }: { listed: Drawing['listed'] }) {
  const { t } = useTexts()
  return (
    <ol aria-label={t('On the picture')} className="mt-2 space-y-1.5 text-base leading-6" data-listed>
      {listed.map(({ id, mark, words }) => (
        <li key={id} className="flex gap-2 items-baseline">
          <span className="shrink-0 min-w-6 h-6 px-1 border border-ink bg-sheet text-sm font-semibold inline-flex items-center justify-center tabular-nums">
            {mark}
          </span>
          <span className="whitespace-pre-line">{words}</span>
        </li>
      ))}
    </ol>
  )
}

/** What is drawn over the picture. */
function Overlay({
  drawing,
  layers,
  shown,
  source,
}: {
  drawing: Drawing
  layers: ReturnType<typeof layersOf>
  shown: Rect
  source: PictureProps['source']
}) {
  return (
    <svg
      aria-hidden
      className="absolute inset-0 size-full pointer-events-none"
      viewBox={`${shown.x} ${shown.y} ${shown.width} ${shown.height}`}
      data-annotations={drawing.drawn.length}
    >
      {drawing.covers.length > 0 && (
        <g data-covers>
          <ShapesSvg shapes={drawing.covers} detail={() => null} />
        </g>
      )}
      {drawing.drawn.map((each) => (
        <g key={each.id} data-annotation={each.id} data-kind={each.kind}>
          <ShapesSvg
            shapes={each.shapes}
            detail={({ from, to }) => (
              <svg {...to} viewBox={`${from.x} ${from.y} ${from.width} ${from.height}`} preserveAspectRatio="none">
                {layers.map(({ id, rect }, n) => (
                  <image key={n} href={source(id)} {...rect} preserveAspectRatio="none" />
                ))}
              </svg>
            )}
          />
        </g>
      ))}
    </svg>
  )
}
