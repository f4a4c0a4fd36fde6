import type { BlackoutPlace, BlackoutReach, FoundPrivate } from '@jackdaw/contracts/blackouts'
import { areaOf, cut, groundOf } from '@jackdaw/core/annotations'
import { shownPictures, storedPicturesOf, type Change, type GuideDocument, type PictureSizes, type Rect } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import { may } from '@jackdaw/core/people'
import { marksOf, nameAsker, privateAreas, type PrivateKind } from '@jackdaw/core/recording'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import { amendPicture, dropFiles, familyOf, fillPicture, picturesOfItem, removeNotedFiles, textOfPicture } from '../files'
import { fail, failField, type Caller, type Parts } from '../http'
import type { Db } from '../db'
import { PERSON } from '../people'
import { relationsToGuide } from './relationsToGuide'
import { saveDraftChanges } from './saveChanges'
import { findDraft, findFacts } from './store'

const KINDS: ReadonlySet<PrivateKind> = new Set(['mail', 'phone', 'account', 'person', 'address'])

/** What looks private in a picture, by the words that the recorder saw there and the names in the directory. */
export async function findPrivate(db: Db, id: PictureId): Promise<{ known: boolean; found: FoundPrivate[] }> {
  const boxes = await textOfPicture(db, id)
  if (boxes.length === 0) return { known: false, found: [] }
  const names = (await db.in(PERSON).find({}, { only: ['name'] })).map((row) => row.name)
  return { known: true, found: privateAreas(boxes, KINDS, nameAsker(marksOf(names, ''), '')) }
}

/** The areas that blackouts cover, by stored picture, in its pixels. Those on a sheet are brought to the pictures that lie there. */
function areasOf(document: GuideDocument, sizes: PictureSizes, places: readonly BlackoutPlace[]): Map<PictureId, Rect[]> {
  const areas = new Map<PictureId, Rect[]>()
  const add = (id: PictureId, rect: Rect) => rect.width > 0 && rect.height > 0 && areas.set(id, [...(areas.get(id) ?? []), rect])
  for (const [n, place] of places.entries()) {
    const step = document.items.find((item) => item.id === place.stepId)
    const picture = step?.kind === 'step' ? step.pictures.find((each) => each.id === place.pictureId) : undefined
    const ground = step?.kind === 'step' && picture ? groundOf(step, picture, sizes[picture.id]) : undefined
    if (!picture || !ground) return failField(`/body/places/${n}`, 'This step no longer shows the picture. Nothing was destroyed.')
    for (const id of place.annotationIds) {
      const blackout = picture.annotations?.find((each) => each.id === id)
      const rect = blackout?.kind === 'blackout' ? areaOf(blackout.area, ground) : undefined
      if (!rect) return failField(`/body/places/${n}`, 'A blackout is no longer there. Nothing was destroyed; look at the picture again.')
      if (!picture.sheet) add(picture.id, rect)
      for (const laid of picture.sheet?.pictures ?? []) {
        const size = sizes[laid.id]
        const part = cut(rect, laid.rect)
        if (!size || part.width <= 0 || part.height <= 0) continue
        const scale = { x: size.widthPx / laid.rect.width, y: size.heightPx / laid.rect.height }
        add(laid.id, {
          x: (part.x - laid.rect.x) * scale.x,
          y: (part.y - laid.rect.y) * scale.y,
          width: part.width * scale.x,
          height: part.height * scale.y,
        })
      }
    }
  }
  return areas
}

type Plan = { areas: Map<PictureId, Rect[]>; reach: BlackoutReach }

/** What is to be filled: the pictures themselves and their copies in other guides that the caller may edit. */
async function planOf(db: Db, caller: Caller, guideId: GuideId, document: GuideDocument, places: readonly BlackoutPlace[]): Promise<Plan> {
  const sizes: PictureSizes = Object.fromEntries((await picturesOfItem(db, guideItem(guideId))).map((picture) => [picture.id, picture]))
  const own = areasOf(document, sizes, places)
  const areas = new Map<PictureId, Rect[]>()
  const guides = new Map<GuideId, boolean>()
  for (const [id, rects] of own)
    for (const kin of await familyOf(db, id)) {
      if (kin.item?.kind !== 'guide') continue
      const inGuide = kin.item.id
      if (!guides.has(inGuide))
        guides.set(inGuide, may(caller.permissions, 'item.edit', (await relationsToGuide(db, caller, inGuide)) ?? new Set()))
      if (guides.get(inGuide)) areas.set(kin.id, [...(areas.get(kin.id) ?? []), ...rects])
    }
  const touched = [...guides].flatMap(([id, allowed]) => (allowed ? [id] : []))
  const rows = await db.rows<{ id: GuideId; number: number; title: string; editions: number[] }>(
    `select g.id, g.number, g.title, array(select distinct u.edition from picture_use u where u.item_kind = 'guide' and u.item_id = g.id and u.picture_id = any ($2) order by 1) as editions
     from guide g where g.id = any ($1) order by g.number`,
    [touched, [...areas.keys()]],
  )
  return { areas, reach: { pictures: areas.size, guides: rows, elsewhere: guides.size - touched.length } }
}

export async function reachOf(db: Db, caller: Caller, guideId: GuideId, places: readonly BlackoutPlace[]): Promise<BlackoutReach> {
  const draft = (await findDraft(db, guideId)) ?? fail('not-found')
  return (await planOf(db, caller, guideId, draft.document, places)).reach
}

/** The draft without the blackouts that are applied, and without the pictures that the recorder offered beside those. */
function changesAfter(
  document: GuideDocument,
  places: readonly BlackoutPlace[],
  filled: ReadonlySet<string>,
): { changes: Change[]; offered: PictureId[] } {
  const changes = places.flatMap(({ stepId, pictureId, annotationIds }) =>
    annotationIds.map((annotationId): Change => ({ type: 'remove-annotation', stepId, pictureId, annotationId })),
  )
  const offered: PictureId[] = []
  const shown = shownPictures(document)
  for (const item of document.items) {
    if (item.kind !== 'step' || !item.check || !item.pictures.some((picture) => storedPicturesOf(picture).some((id) => filled.has(id))))
      continue
    const gone = item.check.otherPictures.filter((id) => !shown.has(id))
    if (gone.length === 0) continue
    offered.push(...gone)
    changes.push({
      type: 'set-step',
      stepId: item.id,
      fields: { check: { ...item.check, otherPictures: item.check.otherPictures.filter((id) => !gone.includes(id)) } },
    })
  }
  return { changes, offered }
}

/** Destroys what lies under blackouts of the draft. When it is through, nothing in the storage or the database holds it any more. */
export async function applyBlackouts(
  parts: Parts,
  caller: Caller,
  guideId: GuideId,
  places: readonly BlackoutPlace[],
  now: number,
): Promise<{ reach: BlackoutReach; revision: number }> {
  const { database, content, newId } = parts
  const draft = (await findDraft(database, guideId)) ?? fail('not-found')
  if ((await findFacts(database, guideId))?.archived) fail('item-archived', 'Take the guide out of the archive to change it.')
  const { areas, reach } = await planOf(database, caller, guideId, draft.document, places)
  const filled: Awaited<ReturnType<typeof fillPicture>>[] = []
  for (const [id, rects] of areas) filled.push(await fillPicture(database, parts, id, rects))
  const revision = await database.transaction(async (tx) => {
    const current = (await findDraft(tx, guideId, true)) ?? fail('not-found')
    if (current.revision !== draft.revision)
      fail('draft-moved-on', 'Somebody changed the guide just now. Nothing was destroyed; look at it again and apply once more.')
    for (const each of filled) await amendPicture(tx, parts, each, { person: caller.id, now, amendmentId: newId() })
    const { changes, offered } = changesAfter(current.document, places, new Set(areas.keys()))
    const saved = await saveDraftChanges(tx, parts, caller, guideId, { baseRevision: current.revision, changeSetId: newId(), changes }, now)
    await dropFiles(tx, guideItem(guideId), offered)
    return saved.revision
  })
  await removeNotedFiles(database, content)
  return { reach, revision }
}
