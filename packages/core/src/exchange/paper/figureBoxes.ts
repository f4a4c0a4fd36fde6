import { LEAST_TYPE_PX, LINE_HEIGHT, widestOf, type Ground, type Shape } from '../../annotations'
import type { Rect, Step, StepPicture } from '../../guides'
import { figureOf, type FigurePart, type GuideFigures } from '../figures/figure'
import type { Say } from '../handout'
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

/** Parts of stored pictures on paper. @param onPaper where an area of the whole is, in points */
const pictures = (parts: readonly FigurePart[], onPaper: (rect: Rect) => Rect, part: Part): Placed[] =>
  parts.map(({ picture, from, hidden, to }): Placed => {
    const { x, y, width, height } = onPaper(to)
    return { is: 'picture', picture, from, hidden, x, y, widthPt: width, heightPt: height, part }
  })

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
      case 'path': {
        const { d, fill, stroke, widthPx, cap = 'butt' } = shape
        return [{ is: 'path', d, scale, ...at, part, ...(fill ? { fill } : {}), ...(stroke ? { stroke, lined: widthPx ?? 1 } : {}), cap }]
      }
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

/** How wide a picture is shown, in points. */
function widthFor(ground: Ground, setting: Setting, widthPt: number): number {
  const shape = ground.shown.height / ground.shown.width
  const wide = Math.min(widthPt, widestOf(ground) * POINTS)
  const usual = Math.min(wide, (setting.pageHeightPt * USUAL_SHARE) / shape)
  return usual >= wide * TOO_SMALL ? usual : Math.min(wide, (setting.pageHeightPt - 4) / shape)
}

type Place = {
  step: Step
  n: number
  figures: GuideFigures
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
  const { x, widthPt, beforePt, share } = place
  const widthOf = (ground: Ground) => widthFor(ground, setting, widthPt * share)
  const figure = figureOf(picture, place, (ground) => widthOf(ground) * PRINTED_PX)
  if (!figure) return []
  const { ground, drawing, parts, partsIn } = figure
  const part = addPart(place.within, 'Figure', { alt: figure.alt })
  const width = widthOf(ground)
  const scale = width / ground.shown.width
  const height = ground.shown.height * scale
  const at = { x: x - ground.shown.x * scale, y: -ground.shown.y * scale }
  const onPaper = (rect: Rect): Rect => ({
    x: at.x + rect.x * scale,
    y: at.y + rect.y * scale,
    width: rect.width * scale,
    height: rect.height * scale,
  })
  const paper: OnPaper = { at, scale, part, setting, detail: ({ from, to }) => pictures(partsIn(from, to), onPaper, part) }
  const placed: Placed[] = [
    ...pictures(parts, onPaper, part),
    ...drawn(drawing.covers, paper),
    ...drawing.drawn.flatMap((each) => drawn(each.shapes, paper)),
    { is: 'path', d: `M0 0H${width}V${height}H0Z`, scale: 1, x, y: 0, stroke: '#c9d0d6', lined: 0.5, part: null },
  ]
  const listed = drawing.listed.flatMap(({ mark, words }, i) => {
    const small: Style = { ...setting.body, font: fontOf('sans'), sizePt: 9, leadingPt: 12.5 }
    const pieces = [
      { words: `${mark}  `, style: { ...small, font: fontOf('sans', true) } },
      { words, style: small },
    ]
    return textBoxes(pieces, setting.type, { x, widthPt, beforePt: i === 0 ? 5 : 1, part: addPart(place.within, 'P') })
  })
  return [{ heightPt: height, beforePt, placed, ...(listed.length > 0 ? { keep: true } : {}) }, ...listed]
}
