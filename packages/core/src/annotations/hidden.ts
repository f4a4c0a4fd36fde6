import { stepsOf, type GuideDocument, type PictureSizes, type Rect, type Step, type StepPicture } from '../guides'
import { areaOf } from './attach'
import { cut } from './geometry'
import { groundOf } from './groundOf'

/** What blackouts that are not applied yet hide of the stored pictures of a guide: by the picture's id, areas in its pixels, and the place
 * (see {@link placeKey}) at which each was drawn. */
export type Pending = ReadonlyMap<string, readonly { place: string; rect: Rect }[]>

/** Nothing is hidden. */
export const NOTHING_PENDING: Pending = new Map()

/** A step's picture as a key. */
export const placeKey = (step: Pick<Step, 'id'>, picture: Pick<StepPicture, 'id'>): string => `${step.id} ${picture.id}`

/** An area in the pixels of one frame, in those of another one. */
const mapped = (rect: Rect, from: Rect, to: Rect): Rect => ({
  x: to.x + ((rect.x - from.x) * to.width) / from.width,
  y: to.y + ((rect.y - from.y) * to.height) / from.height,
  width: (rect.width * to.width) / from.width,
  height: (rect.height * to.height) / from.height,
})
const hasExtent = ({ width, height }: Rect): boolean => width > 0 && height > 0
const full = (size: { widthPx: number; heightPx: number }): Rect => ({ x: 0, y: 0, width: size.widthPx, height: size.heightPx })

/** Collects what is blacked out anywhere in a guide; a stored picture may be shown in several places, and on sheets. */
export function pendingBlackouts(document: GuideDocument, sizes: PictureSizes): Pending {
  const pending = new Map<string, { place: string; rect: Rect }[]>()
  for (const step of stepsOf(document))
    for (const picture of step.pictures) {
      const blackouts = picture.annotations?.filter((each) => each.kind === 'blackout') ?? []
      const ground = blackouts.length > 0 ? groundOf(step, picture, sizes[picture.id]) : undefined
      if (!ground) continue
      const place = placeKey(step, picture)
      const put = (id: string, rect: Rect) => {
        if (hasExtent(rect)) pending.set(id, [...(pending.get(id) ?? []), { place, rect }])
      }
      for (const blackout of blackouts) {
        const area = areaOf(blackout.area, ground)
        if (!area) continue
        if (!picture.sheet) put(picture.id, area)
        else
          for (const laid of picture.sheet.pictures) {
            const size = sizes[laid.id]
            if (size) put(laid.id, mapped(cut(area, laid.rect), laid.rect, full(size)))
          }
      }
    }
  return pending
}

/** What of a step's picture is hidden by blackouts, in its own pixels, or in those of its sheet.
 * @param without the place of which the blackouts are drawn anyway */
export function hiddenAreas(picture: StepPicture, pending: Pending, sizes: PictureSizes, without: string | null = null): Rect[] {
  if (pending.size === 0) return []
  const of = (id: string) => (pending.get(id) ?? []).flatMap(({ place, rect }) => (place === without ? [] : [rect]))
  if (!picture.sheet) return of(picture.id)
  return picture.sheet.pictures.flatMap((laid) => {
    const size = sizes[laid.id]
    return size ? of(laid.id).map((rect) => mapped(rect, full(size), laid.rect)) : []
  })
}

/** Where hidden areas come to lie on a detail of a picture that is shown elsewhere in another size. */
export const hiddenInDetail = (hidden: readonly Rect[], from: Rect, to: Rect): Rect[] =>
  hidden
    .map((rect) => cut(rect, from))
    .filter(hasExtent)
    .map((rect) => mapped(rect, from, to))
