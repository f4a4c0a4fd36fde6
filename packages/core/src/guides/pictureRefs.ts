import type { PictureId } from '../shared'
import type { GuideDocument, GuideItem } from './document'
import type { PictureVisit } from './visits'
import { mapItemPictures } from './guideItems'
import { picturePictures } from './stepFields'

/** Items that show other pictures: wherever an id of a picture stands, the one that is given for it. */
export const mapPictures = (items: readonly GuideItem[], idOf: (id: PictureId) => PictureId): GuideItem[] =>
  items.map((item) => mapItemPictures(item, { stored: idOf, element: idOf }))

/** Ids of pictures that something refers to. `stored`: those that it shows or offers; `elements`: those on which an element is said to
 * stand, which may also be a sheet. */
export type PictureRefs = { stored: PictureId[]; elements: PictureId[] }

/** The pictures that a walk comes past. */
export function collectPictures(walk: (visit: PictureVisit) => void): PictureRefs {
  const refs = { stored: new Set<PictureId>(), elements: new Set<PictureId>() }
  walk({
    stored: (id) => (refs.stored.add(id), id),
    element: (id) => (refs.elements.add(id), id),
  })
  return { stored: [...refs.stored], elements: [...refs.elements] }
}

/** The pictures that items refer to, wherever they stand. */
export const pictureRefsOf = (items: readonly GuideItem[]): PictureRefs =>
  collectPictures((visit) => items.forEach((item) => mapItemPictures(item, visit)))

/** The pictures that a document shows in its steps, on sheets too. */
export const shownPictures = (document: GuideDocument): Set<PictureId> =>
  new Set(
    collectPictures((visit) =>
      document.items.forEach((item) => item.kind === 'step' && item.pictures.forEach((picture) => picturePictures(picture, visit))),
    ).stored,
  )
