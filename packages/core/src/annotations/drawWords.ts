import type { Annotation, Rect } from '../guides'
import { unitOf, type Ground } from './attach'
import { INK, WHITE, wordsOn } from './colour'
import { around, grown, movedInto, n, type Point, type Size, rectPath } from './geometry'
import { leaderOf } from './leader'
import type { Pen } from './pen'
import type { Drawn, Shape } from './shape'
import { LINE_HEIGHT, setWords, widthOf, type SetWords } from './words'

// In pixels at the reading width.
const PADDING_X = 8
const PADDING_Y = 4
const WIDEST = 190
const DOT_PX = 3.5
/** Side of the mark that stands for a label whose words are listed under the picture, in CSS pixels. */
export const LIST_MARK_PX = 20

type Worded = Extract<Annotation, { kind: 'label' | 'text' }>

const widest = (pen: Pen, ground: Ground): number => Math.min(WIDEST * pen.unit * (pen.typePx / (15 * pen.unit)), ground.shown.width * 0.6)
function setFor(annotation: Worded, words: string, pen: Pen, ground: Ground): SetWords {
  const { size } = annotation
  const wish = size && {
    width: Math.max(0, size.widthPx * pen.unit - 2 * PADDING_X * pen.unit),
    height: Math.max(0, size.heightPx * pen.unit - 2 * PADDING_Y * pen.unit),
  }
  return setWords(words, { typePx: pen.typePx, face: pen.face, widest: widest(pen, ground), wish })
}

/** Size of a label's slip: found from its words, at least what its author wants, never too small for them. */
export function slipSize(annotation: Worded, words: string, pen: Pen, ground: Ground): Size {
  const set = setFor(annotation, words, pen, ground)
  return { width: set.width + 2 * PADDING_X * pen.unit, height: set.height + 2 * PADDING_Y * pen.unit }
}

function wordsIn(box: Rect, set: { lines: readonly string[]; typePx: number; face: Pen['face'] }, fill: string): Shape {
  const line = set.typePx * LINE_HEIGHT
  const top = box.y + (box.height - set.lines.length * line) / 2
  return {
    is: 'words',
    lines: set.lines,
    x: box.x + box.width / 2,
    // The base line of a line stands where its letters leave about as much room above as below.
    y: top + line * 0.75,
    typePx: set.typePx,
    face: set.face,
    fill,
    align: 'middle',
  }
}
const dotPath = ({ x, y }: Point, radius: number): string =>
  `M${n(x - radius)} ${n(y)}a${n(radius)} ${n(radius)} 0 1 1 ${n(2 * radius)} 0a${n(radius)} ${n(radius)} 0 1 1 ${n(-2 * radius)} 0z`

function leaderShapes(slip: Rect, dot: Point, colour: string, unit: number): Shape[] {
  const points = leaderOf(slip, dot, unit)
  const d = points.map((point, i) => `${i === 0 ? 'M' : 'L'}${n(point.x)} ${n(point.y)}`).join('')
  const line: Shape[] =
    points.length > 1
      ? [
          { is: 'path', d, stroke: WHITE, widthPx: 4 * unit, cap: 'butt' },
          { is: 'path', d, stroke: colour, widthPx: 1.6 * unit, cap: 'butt' },
        ]
      : []
  return [
    ...line,
    { is: 'path', d: dotPath(dot, (DOT_PX + 1.3) * unit), fill: WHITE },
    { is: 'path', d: dotPath(dot, DOT_PX * unit), fill: colour },
  ]
}

/** A label: a white slip with a thin border, and a leader that ends in a dot on what it speaks of. */
export function drawLabel(annotation: Worded, words: string, slip: Rect, dot: Point, pen: Pen): Drawn {
  const inner = slip.width - 2 * PADDING_X * pen.unit
  const size = annotation.size && { width: inner, height: slip.height - 2 * PADDING_Y * pen.unit }
  const set = setWords(words, { typePx: pen.typePx, face: pen.face, widest: inner + 0.5, wish: size })
  return {
    id: annotation.id,
    kind: annotation.kind,
    box: slip,
    slip,
    dot,
    along: [],
    stroke: pen.colour,
    casing: WHITE,
    shapes: [
      ...leaderShapes(slip, dot, pen.colour, pen.unit),
      { is: 'path', d: rectPath(slip), fill: WHITE, stroke: pen.colour, widthPx: 1.2 * pen.unit, cap: 'square' },
      wordsIn(slip, set, INK),
    ],
  }
}

/** The mark of a label whose words stand under the picture.
 * @param scale pixels of the picture for one CSS pixel */
export function drawListMark(annotation: Worded, mark: string, slip: Rect, dot: Point, pen: Pen, scale: number): Drawn {
  return {
    id: annotation.id,
    kind: annotation.kind,
    box: around([slip, { ...dot, width: 0, height: 0 }]),
    slip,
    dot,
    along: [],
    stroke: pen.colour,
    casing: WHITE,
    shapes: [
      ...leaderShapes(slip, dot, INK, scale * 0.75),
      { is: 'path', d: rectPath(slip), fill: WHITE, stroke: INK, widthPx: 1.4 * scale, cap: 'square' },
      wordsIn(slip, { lines: [mark], typePx: 13 * scale, face: 'sans' }, INK),
    ],
  }
}

/** Free words on a slip without a border. */
export function drawText(annotation: Extract<Annotation, { kind: 'text' }>, at: Point, pen: Pen, ground: Ground): Drawn {
  const size = slipSize(annotation, annotation.words, pen, ground)
  const set = setFor(annotation, annotation.words, pen, ground)
  const box = movedInto({ x: at.x - size.width / 2, y: at.y - size.height / 2, ...size }, grown(ground.shown, -unitOf(ground)))
  return {
    id: annotation.id,
    kind: 'text',
    box,
    slip: box,
    dot: at,
    along: [],
    stroke: pen.colour,
    casing: WHITE,
    shapes: [{ is: 'path', d: rectPath(box), fill: WHITE }, wordsIn(box, set, annotation.style?.colour ? pen.colour : INK)],
  }
}

// The kinds of a number tag, each drawn in a field of 10 by 10 with the middle at 0, 0.
const GLYPHS = {
  sequence: '',
  'key-point': 'M0 -4.5V1.2M0 3.6V4.5',
  measure: 'M-5 0H5M-5 0L-2.4 -2.6M-5 0L-2.4 2.6M5 0L2.4 -2.6M5 0L2.4 2.6',
  note: 'M0 -1V4.5M0 -4.5V-3.6',
} as const
const scaledPath = (d: string, at: Point, scale: number): string =>
  d.replaceAll(/([MLHV])(-?[\d.]+)(?: (-?[\d.]+))?/g, (_, command: string, first: string, second: string | undefined) => {
    const a = Number(first) * scale
    if (command === 'H') return `H${n(at.x + a)}`
    if (command === 'V') return `V${n(at.y + a)}`
    return `${command}${n(at.x + a)} ${n(at.y + Number(second) * scale)}`
  })

/** A number tag: a small ink tag with one cut corner; what it stands for is a glyph beside its number.
 * @param scale pixels of the picture for one CSS pixel */
export function drawTag(annotation: Extract<Annotation, { kind: 'tag' }>, at: Point, pen: Pen, scale: number): Drawn {
  const typePx = Math.max(pen.typePx * 0.95, 12 * scale)
  const glyph = GLYPHS[annotation.meaning]
  const number = String(annotation.number)
  const room = glyph === '' ? 0 : typePx * 0.85
  const height = typePx * 1.5
  const width = Math.max(height, widthOf(number, typePx, 'sans') + typePx * 0.8 + room)
  const box = { x: at.x - width / 2, y: at.y - height / 2, width, height }
  const corner = height * 0.28
  const outline = (rect: Rect, cutBy: number) =>
    `M${n(rect.x)} ${n(rect.y)}h${n(rect.width - cutBy)}l${n(cutBy)} ${n(cutBy)}v${n(rect.height - cutBy)}h${n(-rect.width)}z`
  const fill = wordsOn(pen.colour)
  const words: Rect = { ...box, x: box.x + room * 0.8, width: width - room * 0.8 }
  return {
    id: annotation.id,
    kind: 'tag',
    box: grown(box, 1.5 * pen.unit),
    along: [],
    stroke: pen.colour,
    casing: WHITE,
    shapes: [
      { is: 'path', d: outline(grown(box, 1.5 * pen.unit), corner), fill: fill },
      { is: 'path', d: outline(box, corner), fill: pen.colour },
      ...(glyph === ''
        ? []
        : [
            {
              is: 'path' as const,
              d: scaledPath(glyph, { x: box.x + typePx * 0.72, y: at.y }, typePx / 13),
              stroke: fill,
              widthPx: typePx * 0.13,
              cap: 'round' as const,
            },
          ]),
      wordsIn(words, { lines: [number], typePx, face: 'sans' }, fill),
    ],
  }
}
