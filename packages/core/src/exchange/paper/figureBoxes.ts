import {
  drawAnnotations,
  groundOf,
  hiddenAreas,
  pendingBlackouts,
  preferredSides,
  widestOf,
  LEAST_TYPE_PX,
  LINE_HEIGHT,
  type Drawing,
  type Ground,
  type Shape,
  type Side,
} from '../../annotations'
import type { Look, Rect, Step, StepPicture } from '../../guides'
import type { PictureId } from '../../shared'
import type { HandoutGuide, Say } from '../handout'
import type { Box, Placed } from './box'
import { textBoxes } from './lines'
import { addPart, type Part } from './part'
import type { Setting } from './pieces'
import { fontOf, type Style } from './type'

/** Points of a pixel of the screen (CSS). */
const POINTS = 0.75
/** Print is read at smaller sizes than a screen: words of 7 points stand on the picture as those of 12 pixels do there. */
const PRINTED_PX = LEAST_TYPE_PX / 7
/** A picture takes at most this share of a page's height, so that words have room beside it; one that would become too small takes a whole page. */
const USUAL_SHARE = 0.52
/** And one is too small that is shown at less than this share of the width that it could have. */
const TOO_SMALL = 0.6

/** What is drawn on the pictures of a guide that depends on the whole of it. */
export type Figures = { sides: ReadonlyMap<string, Side | null>; hiddenIn: (picture: StepPicture) => Rect[] }
export function figuresOf(guide: HandoutGuide): Figures {
  const pending = pendingBlackouts(guide.document, guide.sizes)
  return {
    sides: preferredSides(guide.document, guide.sizes, guide.look).sides,
    hiddenIn: (picture) => hiddenAreas(picture, pending, guide.sizes),
  }
}

/** The part of a rectangle that lies in another one. */
function within(a: Rect, b: Rect): Rect | null {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)]
  const [width, height] = [Math.min(a.x + a.width, b.x + b.width) - x, Math.min(a.y + a.height, b.y + b.height) - y]
  return width > 0 && height > 0 ? { x, y, width, height } : null
}
/** An area of one frame in another one. */
const mapped = (rect: Rect, from: Rect, to: Rect): Rect => ({
  x: to.x + ((rect.x - from.x) * to.width) / from.width,
  y: to.y + ((rect.y - from.y) * to.height) / from.height,
  width: (rect.width * to.width) / from.width,
  height: (rect.height * to.height) / from.height,
})

/** Where stored pictures lie on the whole: one that fills it, or those of a sheet. */
const layersOf = (picture: StepPicture, ground: Ground): { id: PictureId; rect: Rect }[] =>
  picture.sheet ? picture.sheet.pictures : [{ id: picture.id, rect: { x: 0, y: 0, width: ground.of.widthPx, height: ground.of.heightPx } }]

/** Shows a part of the whole in an area on paper: only what lies in it of each stored picture. */
function pictures(
  picture: StepPicture,
  ground: Ground,
  guide: HandoutGuide,
  from: Rect,
  to: Rect,
  hidden: readonly Rect[],
  part: Part,
): Placed[] {
  return layersOf(picture, ground).flatMap(({ id, rect }): Placed[] => {
    const size = guide.sizes[id]
    const seen = within(rect, from)
    if (!size || !seen) return []
    const stored = { x: 0, y: 0, width: size.widthPx, height: size.heightPx }
    const place = mapped(seen, from, to)
    return [
      {
        is: 'picture',
        picture: id,
        from: mapped(seen, rect, stored),
        hidden: hidden.flatMap((area) => {
          const inside = within(area, rect)
          return inside ? [mapped(inside, rect, stored)] : []
        }),
        x: place.x,
        y: place.y,
        widthPt: place.width,
        heightPt: place.height,
        part,
      },
    ]
  })
}

type OnPaper = {
  at: { x: number; y: number }
  scale: number
  part: Part
  setting: Setting
  detail: (shape: Extract<Shape, { is: 'detail' }>) => Placed[]
}
/** Shapes of annotations on paper. */
function drawn(shapes: readonly Shape[], { at, scale, part, setting, detail }: OnPaper): Placed[] {
  return shapes.flatMap((shape): Placed[] => {
    switch (shape.is) {
      case 'path':
        return [
          {
            is: 'path',
            d: shape.d,
            scale,
            ...at,
            part,
            ...(shape.fill ? { fill: shape.fill } : {}),
            ...(shape.stroke ? { stroke: shape.stroke, lined: shape.widthPx ?? 1 } : {}),
            cap: shape.cap ?? 'butt',
          },
        ]
      case 'words': {
        const style: Style = { font: fontOf(shape.face, true), sizePt: shape.typePx * scale, leadingPt: 0, colour: shape.fill }
        return shape.lines.map((words, n): Placed => {
          const widthPt = setting.type.widthOf(words, style.font) * style.sizePt
          const x = at.x + shape.x * scale - (shape.align === 'middle' ? widthPt / 2 : 0)
          return { is: 'words', words, style, widthPt, x, y: at.y + (shape.y + n * shape.typePx * LINE_HEIGHT) * scale, part }
        })
      }
      case 'detail':
        return detail(shape)
    }
  })
}

/** How large a picture is shown, in points. */
function sizeOf(ground: Ground, setting: Setting, widthPt: number): { width: number; height: number } {
  const shape = ground.shown.height / ground.shown.width
  const wide = Math.min(widthPt, widestOf(ground) * POINTS)
  const usual = Math.min(wide, (setting.pageHeightPt * USUAL_SHARE) / shape)
  const width = usual >= wide * TOO_SMALL ? usual : Math.min(wide, (setting.pageHeightPt - 4) / shape)
  return { width, height: width * shape }
}

/** What a figure shows, for those who do not see it: never nothing. */
function altOf(picture: StepPicture, n: number, t: Say): string {
  const words = (picture.annotations ?? [])
    .flatMap((each) => (each.kind === 'label' || each.kind === 'text' ? [each.words.trim()] : []))
    .filter((each) => each !== '')
  const shows = picture.alt.trim() || t('Picture of step {{n}}', { n })
  return words.length === 0
    ? shows
    : t('{{shows}}. On the picture: {{words}}', { shows: shows.replace(/[.\s]+$/, ''), words: words.join('; ') })
}

type Place = {
  step: Step
  n: number
  guide: HandoutGuide
  look: Look
  figures: Figures
  t: Say
  within: Part
  x: number
  widthPt: number
  beforePt: number
  /** Share of the room that it takes at the most. */
  share: number
}

/** Sets a picture with all that is drawn on it, and under it what would be too small to be read there. */
export function figureBoxes(picture: StepPicture, setting: Setting, place: Place): Box[] {
  const { step, n, guide, look, figures, t, x, widthPt, beforePt, share } = place
  const ground = groundOf(step, picture, guide.sizes[picture.id])
  if (!ground) return []
  const part = addPart(place.within, 'Figure', { alt: altOf(picture, n, t) })
  const size = sizeOf(ground, setting, widthPt * share)
  const scale = size.width / ground.shown.width
  const hidden = figures.hiddenIn(picture)
  const drawing: Drawing = drawAnnotations(
    picture.annotations ?? [],
    ground,
    { look, way: 'read', shownPx: size.width * PRINTED_PX },
    figures.sides.get(step.id) ?? null,
    hidden,
  )
  const at = { x: x - ground.shown.x * scale, y: -ground.shown.y * scale }
  const onPaper = ({ x: px, y: py, width, height }: Rect): Rect => ({
    x: at.x + px * scale,
    y: at.y + py * scale,
    width: width * scale,
    height: height * scale,
  })
  const paper: OnPaper = {
    at,
    scale,
    part,
    setting,
    detail: ({ from, to }) => pictures(picture, ground, guide, from, onPaper(to), hidden, part),
  }
  const placed: Placed[] = [
    ...pictures(picture, ground, guide, ground.shown, onPaper(ground.shown), hidden, part),
    ...drawn(drawing.covers, paper),
    ...drawing.drawn.flatMap((each) => drawn(each.shapes, paper)),
    { is: 'path', d: `M0 0H${size.width}V${size.height}H0Z`, scale: 1, x, y: 0, stroke: '#c9d0d6', lined: 0.5, part: null },
  ]
  const listed = drawing.listed.flatMap(({ mark, words }, i) => {
    const small: Style = { ...setting.body, font: fontOf('sans'), sizePt: 9, leadingPt: 12.5 }
    const line = addPart(place.within, 'P')
    return textBoxes(
      [
        { words: `${mark}  `, style: { ...small, font: fontOf('sans', true) } },
        { words, style: small },
      ],
      setting.type,
      { x, widthPt, beforePt: i === 0 ? 5 : 1, part: line },
    )
  })
  return [{ heightPt: size.height, beforePt, placed, ...(listed.length > 0 ? { keep: true } : {}) }, ...listed]
}
