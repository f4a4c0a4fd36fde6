import type { Anchor, Annotation, AnnotationKind, Area, Rect } from '../guides'
import { FRAME_GAP_PX } from '../guides'
import { anchorAt, areaFrom, rectOf, unitOf, type Ground } from './attach'
import { grown, middleOf, type Point } from './geometry'

/** How close to the element something counts as put on it, in pixels at the reading width. */
const NEAR_PX = 14

/** What a place in the picture belongs to: the element when the place is on it or close by, else the picture. */
export function ownerOf(point: Point, ground: Ground): Anchor['to'] {
  for (const to of ['element', 'onto'] as const) {
    const rect = rectOf(to, ground)
    if (!rect) continue
    const near = grown(rect, NEAR_PX * unitOf(ground))
    if (point.x >= near.x && point.x <= near.x + near.width && point.y >= near.y && point.y <= near.y + near.height) return to
  }
  return 'picture'
}

/** An anchor for a place in the picture; close to one of the nine points of what it belongs to, it is that point. */
export const anchorFor = (point: Point, ground: Ground): Anchor => anchorAt(point, ownerOf(point, ground), ground, 6 * unitOf(ground))

const near = (a: Rect, b: Rect, by: number): boolean =>
  Math.abs(a.x - b.x) <= by &&
  Math.abs(a.y - b.y) <= by &&
  Math.abs(a.x + a.width - b.x - b.width) <= by &&
  Math.abs(a.y + a.height - b.y - b.height) <= by
/** An area drawn by hand: around the element when it was drawn about there, else a part of the picture. */
export function areaFor(rect: Rect, ground: Ground): Area {
  for (const to of ['element', 'onto'] as const) {
    const element = rectOf(to, ground)
    if (element && near(rect, element, 9 * unitOf(ground))) return { to, gapPx: FRAME_GAP_PX }
  }
  return areaFrom(rect, ground)
}

/** Where and how large a new annotation is drawn by hand; absent: where it is put when nobody says where. */
export type DrawnBy = { from: Point; to: Point }

/** A new annotation, attached to the element where there is one.
 * @param sequence number for a new tag */
export function newAnnotation(kind: AnnotationKind, id: string, ground: Ground, drawn: DrawnBy | null, sequence = 1): Annotation {
  const onto: Anchor['to'] = ground.element ? 'element' : 'picture'
  const { shown } = ground
  const middle = middleOf(shown)
  const spot: Anchor = drawn
    ? anchorFor(drawn.to, ground)
    : ground.element
      ? { to: onto, at: 'right', gapPx: 0 }
      : anchorAt(middle, 'picture', ground)
  const third: Rect = { x: middle.x - shown.width / 6, y: middle.y - shown.height / 6, width: shown.width / 3, height: shown.height / 3 }
  const area: Area = drawn
    ? areaFor(
        {
          x: Math.min(drawn.from.x, drawn.to.x),
          y: Math.min(drawn.from.y, drawn.to.y),
          width: Math.abs(drawn.to.x - drawn.from.x),
          height: Math.abs(drawn.to.y - drawn.from.y),
        },
        ground,
      )
    : ground.element
      ? { to: 'element', gapPx: FRAME_GAP_PX }
      : areaFrom(third, ground)
  switch (kind) {
    case 'label':
    case 'text':
      return { id, kind, words: '', at: spot }
    case 'tag':
      return {
        id,
        kind,
        number: sequence,
        meaning: 'sequence',
        at: drawn || !ground.element ? spot : { to: 'element', at: 'top-left', gapPx: 4 },
      }
    case 'arrow': {
      const to = spot
      const from = drawn ? anchorFor(drawn.from, ground) : anchorAt({ x: middle.x, y: shown.y + shown.height * 0.15 }, 'picture', ground)
      return { id, kind, from, to, bend: 0, heads: 'end' }
    }
    case 'inset': {
      const right = { x: shown.x + shown.width * 0.75, y: shown.y + shown.height * 0.7 }
      return { id, kind, detail: area, at: anchorAt(right, 'picture', ground), zoom: 2.5 }
    }
    default:
      return { id, kind, area }
  }
}
