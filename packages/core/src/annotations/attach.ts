import { entriesOf } from '../shared'
import type { Anchor, Area, AttachedPoint, NamedPoint, Rect } from '../guides'
import { cut, grown, type Point } from './geometry'

/** What annotations on one picture are attached to. All in pixels of the stored picture. */
export type Ground = {
  /** Size of the picture. */
  of: { widthPx: number; heightPx: number }
  /** The part that is shown. */
  shown: Rect
  /** Where the step's elements stand in this picture; absent when they do not. */
  element?: Rect | undefined
  onto?: Rect | undefined
}

/** Width at which guides are read, in pixels of the screen; sizes of annotations are meant at this width. */
export const READING_WIDTH_PX = 760

/** A part of a picture is enlarged at most so many times, and at most to the width of the whole. */
const MOST_ENLARGED = 3

/** Width at which a picture is shown at the most, in pixels: as it is stored; a part of it may be enlarged. */
export function widestOf({ of, shown }: Pick<Ground, 'of' | 'shown'>): number {
  const whole = shown.width >= of.widthPx - 1
  return whole ? shown.width : Math.max(shown.width, Math.min(of.widthPx, shown.width * MOST_ENLARGED))
}

/** How many pixels of the picture one pixel at the reading width is: less than one where a part is enlarged. */
export const unitOf = (ground: Pick<Ground, 'of' | 'shown'>): number => ground.shown.width / Math.min(READING_WIDTH_PX, widestOf(ground))

/** The whole picture, as an area. */
export const wholeOf = ({ of }: Pick<Ground, 'of'>): Rect => ({ x: 0, y: 0, width: of.widthPx, height: of.heightPx })

/** The nine named points as shares of width and height. */
export const SHARES: Readonly<Record<NamedPoint, Point>> = {
  'top-left': { x: 0, y: 0 },
  top: { x: 0.5, y: 0 },
  'top-right': { x: 1, y: 0 },
  left: { x: 0, y: 0.5 },
  middle: { x: 0.5, y: 0.5 },
  right: { x: 1, y: 0.5 },
  'bottom-left': { x: 0, y: 1 },
  bottom: { x: 0.5, y: 1 },
  'bottom-right': { x: 1, y: 1 },
}
/** A point as shares of width and height. */
export const sharesOf = (at: AttachedPoint): Point => (typeof at === 'string' ? SHARES[at] : at)

/** The rectangle to which something is attached; `undefined` when the picture does not show it. */
export const rectOf = (to: Anchor['to'], ground: Ground): Rect | undefined => (to === 'picture' ? wholeOf(ground) : ground[to])

/** The way in which a gap leads: away from the middle of an element, towards the middle of a picture; up where there is no way.
 * @returns a vector of length 1 along each axis that it uses */
export function gapWay(anchor: Pick<Anchor, 'to' | 'at'>): Point {
  const { x, y } = sharesOf(anchor.at)
  const sign = anchor.to === 'picture' ? -1 : 1
  if (typeof anchor.at === 'string') {
    if (anchor.at === 'middle') return { x: 0, y: -1 }
    return { x: Math.sign(x - 0.5) * sign, y: Math.sign(y - 0.5) * sign }
  }
  const length = Math.hypot(x - 0.5, y - 0.5)
  return length < 1e-9 ? { x: 0, y: -1 } : { x: ((x - 0.5) / length) * sign, y: ((y - 0.5) / length) * sign }
}

/** Where an anchor is, in pixels of the stored picture; `undefined` when what it is attached to is not there. */
export function pointOf(anchor: Anchor, ground: Ground): Point | undefined {
  const rect = rectOf(anchor.to, ground)
  if (!rect) return undefined
  const share = sharesOf(anchor.at)
  const way = gapWay(anchor)
  const unit = unitOf(ground)
  const along = { x: way.x * anchor.gapPx + (anchor.shift?.dx ?? 0), y: way.y * anchor.gapPx + (anchor.shift?.dy ?? 0) }
  return { x: rect.x + share.x * rect.width + along.x * unit, y: rect.y + share.y * rect.height + along.y * unit }
}

/** The area that an annotation covers, in pixels of the stored picture; `undefined` when what it is attached to is not there. */
export function areaOf(area: Area, ground: Ground): Rect | undefined {
  const { widthPx, heightPx } = ground.of
  if (area.to === 'picture') {
    const { x, y, width, height } = area.rect
    return { x: x * widthPx, y: y * heightPx, width: width * widthPx, height: height * heightPx }
  }
  const rect = ground[area.to]
  return rect && cut(grown(rect, area.gapPx * unitOf(ground)), wholeOf(ground))
}

const hundredth = (share: number) => Math.round(share * 100_000) / 100_000
const within = (share: number) => Math.min(1, Math.max(0, share))
/** A part of the picture as an area. */
export function areaFrom(rect: Rect, { of }: Pick<Ground, 'of'>): Extract<Area, { to: 'picture' }> {
  const left = within(rect.x / of.widthPx)
  const top = within(rect.y / of.heightPx)
  return {
    to: 'picture',
    rect: {
      x: hundredth(left),
      y: hundredth(top),
      width: hundredth(within((rect.x + rect.width) / of.widthPx) - left),
      height: hundredth(within((rect.y + rect.height) / of.heightPx) - top),
    },
  }
}

/** An anchor for a point, attached to what the former anchor was attached to (to the picture, when that is not there).
 * Close to one of the nine points it is that point.
 * @param point in pixels of the stored picture
 * @param nearPx how close counts, in pixels of the picture */
export function anchorAt(point: Point, to: Anchor['to'], ground: Ground, nearPx = 0): Anchor {
  const rect = rectOf(to, ground)
  if (!rect) return anchorAt(point, 'picture', ground, nearPx)
  for (const [at, share] of entriesOf(SHARES))
    if (Math.hypot(rect.x + share.x * rect.width - point.x, rect.y + share.y * rect.height - point.y) <= nearPx) return { to, at, gapPx: 0 }
  const limit = (share: number) => Math.min(21, Math.max(-20, hundredth(share)))
  const at = { x: limit((point.x - rect.x) / Math.max(1, rect.width)), y: limit((point.y - rect.y) / Math.max(1, rect.height)) }
  return { to, at, gapPx: 0 }
}

/** The same point, attached to the picture: what it was attached to may go. */
export function pinned(anchor: Anchor, ground: Ground): Anchor {
  const point = pointOf(anchor, ground)
  return point && anchor.to !== 'picture' ? anchorAt(point, 'picture', ground) : anchor
}
/** The same area, attached to the picture. */
export function pinnedArea(area: Area, ground: Ground): Area {
  const rect = areaOf(area, ground)
  return rect && area.to !== 'picture' ? areaFrom(rect, ground) : area
}
