import {
  drawAnnotations,
  groundOf,
  hiddenAreas,
  pendingBlackouts,
  preferredSides,
  type Drawing,
  type Ground,
  type Side,
} from '../../annotations'
import type { Rect, Step, StepPicture } from '../../guides'
import type { PictureId } from '../../shared'
import type { HandoutGuide, Say } from '../handout'

/** What is drawn on the pictures of a guide that depends on the whole of it: on which side labels stand, and what blackouts that wait to be applied
 * hide of a picture, in its pixels. */
export type GuideFigures = { guide: HandoutGuide; sides: ReadonlyMap<string, Side | null>; hiddenIn: (picture: StepPicture) => Rect[] }
/** What is drawn on the pictures of a guide. */
export function figuresOf(guide: HandoutGuide): GuideFigures {
  const pending = pendingBlackouts(guide.document, guide.sizes)
  return {
    guide,
    sides: preferredSides(guide.document, guide.sizes, guide.look).sides,
    hiddenIn: (picture) => hiddenAreas(picture, pending, guide.sizes),
  }
}

/** A part of a stored picture where it is shown. `from`: in pixels of the stored picture; `hidden`: areas of it that are filled; `to`: where it is shown. */
export type FigurePart = { picture: PictureId; from: Rect; hidden: Rect[]; to: Rect }
/** A picture of a step with all that is drawn on it. `ground`: what is shown of it, in its own pixels, in which the drawing and the parts stand.
 * `partsIn`: another part of it, shown in an area. */
export type Figure = {
  ground: Ground
  parts: FigurePart[]
  partsIn: (from: Rect, to: Rect) => FigurePart[]
  drawing: Drawing
  alt: string
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

/** Shows a part of the whole in an area: only what lies in it of each stored picture. */
function partsOf(
  picture: StepPicture,
  ground: Ground,
  sizes: HandoutGuide['sizes'],
  hidden: readonly Rect[],
  from: Rect,
  to: Rect,
): FigurePart[] {
  return layersOf(picture, ground).flatMap(({ id, rect }): FigurePart[] => {
    const size = sizes[id]
    const seen = within(rect, from)
    if (!size || !seen) return []
    const stored = { x: 0, y: 0, width: size.widthPx, height: size.heightPx }
    const inside = hidden.flatMap((area) => {
      const part = within(area, rect)
      return part ? [mapped(part, rect, stored)] : []
    })
    return [{ picture: id, from: mapped(seen, rect, stored), hidden: inside, to: mapped(seen, from, to) }]
  })
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

/** A picture of a step as it is shown.
 * @param shownPx how wide it is shown, in pixels of a screen, given what is shown: smaller words stand in a list under it
 * @returns `null` when nobody knows how large it is */
export function figureOf(
  picture: StepPicture,
  { step, n, figures, t }: { step: Step; n: number; figures: GuideFigures; t: Say },
  shownPx: (ground: Ground) => number,
): Figure | null {
  const { guide, sides, hiddenIn } = figures
  const ground = groundOf(step, picture, guide.sizes[picture.id])
  if (!ground) return null
  const hidden = hiddenIn(picture)
  const setting = { look: guide.look, way: 'read' as const, shownPx: shownPx(ground) }
  const partsIn = (from: Rect, to: Rect) => partsOf(picture, ground, guide.sizes, hidden, from, to)
  return {
    ground,
    parts: partsIn(ground.shown, ground.shown),
    partsIn,
    drawing: drawAnnotations(picture.annotations ?? [], ground, setting, sides.get(step.id) ?? null, hidden),
    alt: altOf(picture, n, t),
  }
}
