import { mapPictures, type GuideDocument } from '../guides'
import type { NewId, PictureId } from '../shared'
import { copiesOf } from './manySteps'

/** A guide like another one, with steps and pictures of its own: wherever the one leads from step to step, so does the other.
 * @param pictures ids that the copy's own pictures have, by those of the first guide */
export function copyOfGuide(
  document: GuideDocument,
  title: string,
  pictures: Readonly<Record<string, PictureId>>,
  newId: NewId,
): GuideDocument {
  const copies = copiesOf(document.items, newId)
  const ids = new Map<string, string>(document.items.flatMap((item, n) => (copies[n] ? [[item.id, copies[n].id]] : [])))
  // A finding is silenced by its reason and the step it is about.
  const silenced = document.silenced.map((key) =>
    key.replace(/^([a-z-]+):([^:]+)/, (_, reason: string, id: string) => `${reason}:${ids.get(id) ?? id}`),
  )
  return { ...document, title, silenced, items: mapPictures(copies, (id) => pictures[id] ?? id) }
}
