import { addPicture, adoptPictures, getDraftPicture, getEditionPicture, getPictureSizes } from '@jackdaw/contracts/pictures'
import { applyBlackouts, askBlackoutReach, findPrivateInPicture } from '@jackdaw/contracts/blackouts'
import { findDeadLinks, getChangesSince, getDraft, saveChanges, settleClash } from '@jackdaw/contracts/guides'
import { getLook, saveLook } from '@jackdaw/contracts/look'
import { guideItem } from '@jackdaw/core/items'
import { may } from '@jackdaw/core/people'
import type { PictureId } from '@jackdaw/core/shared'
import { adoptPicturesOf, findPicture, picturesOfItem, readPicture, sendPicture, storePicture } from '../files'
import { fail, route, type Routes } from '../http'
import { revisionOfEdition } from '../items'
import * as blackouts from './blackouts'
import { clashesOf, dropClash } from './clashes'
import { relationsToGuide } from './relationsToGuide'
import { findLook, writeLook } from './look'
import { conflictsInOldForm, savedInOldForm } from './olderPages'
import { saveDraftChanges } from './saveChanges'
import { changesSince, deadAmong, findDraft, findDraftToSend, findFacts, noteAndListPresent, sharedWith } from './store'

/** The draft of a guide, its changes, and how guides look. */
function draftRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, getDraft, async ({ params: { id } }, { caller, relations }) => {
    const [facts, draft, shared, clashes] = await Promise.all([
      findFacts(db, id),
      findDraftToSend(db, id),
      sharedWith(db, id),
      clashesOf(db, id, caller.id),
    ])
    if (!facts || !draft) return fail('not-found')
    const published = facts.newestEdition === null ? undefined : await revisionOfEdition(db, guideItem(id), facts.newestEdition)
    const can = (action: 'item.publish' | 'item.hand-over' | 'records.item') => may(caller.permissions, action, relations)
    return {
      id,
      number: facts.number,
      revision: draft.revision,
      document: draft.document,
      owner: facts.owner,
      folderId: facts.folderId,
      sharedWith: shared,
      edition: facts.newestEdition,
      changedSinceEdition: published !== undefined && published !== draft.revision,
      archived: facts.archived,
      clashes,
      may: {
        publish: can('item.publish'),
        handOver: can('item.hand-over'),
        seeRecords: facts.newestEdition !== null && can('records.item'),
      },
    }
  })
  route(routes, saveChanges, async ({ params: { id }, body }, { caller, now }) => {
    const saved = await saveDraftChanges(db, routes.parts, caller, id, body, now)
    if (body.form) return saved
    return { ...saved, missed: savedInOldForm(saved.missed), conflicts: conflictsInOldForm(saved.conflicts) }
  })
  route(routes, settleClash, ({ params: { id }, body: { target } }, { caller, now }) => dropClash(db, id, caller.id, target, now))
  route(routes, getChangesSince, async ({ params: { id }, query: { since, form } }, { caller, now }) => {
    const draft = (await findDraft(db, id)) ?? fail('not-found')
    if (since > draft.revision) fail('draft-moved-on', 'The server knows an older draft than this page. Load the page again.')
    const saved = since === draft.revision ? [] : await changesSince(db, id, since)
    return {
      revision: draft.revision,
      saved: form ? saved : savedInOldForm(saved),
      alsoHere: await noteAndListPresent(db, id, caller.id, now),
    }
  })
  route(routes, findDeadLinks, async ({ body }, { caller }) => deadAmong(db, caller.id, body.guides))
  route(routes, getLook, () => findLook(db))
  route(routes, saveLook, async ({ body }) => {
    await writeLook(db, body)
    return body
  })
}

/** The pictures of guides, and what is blacked out in them. */
function pictureRoutes(routes: Routes): void {
  const { database: db, content, decoder, newId } = routes.parts

  route(routes, addPicture, async ({ params: { id }, bytes }, { caller, now }) => {
    const picture = await readPicture(decoder, bytes)
    const pictureId = newId<PictureId>()
    await storePicture(db, content, picture, { id: pictureId, item: guideItem(id), by: caller.id, now })
    return { id: pictureId, widthPx: picture.widthPx, heightPx: picture.heightPx }
  })
  route(routes, getPictureSizes, async ({ params: { id } }) =>
    Object.fromEntries((await picturesOfItem(db, guideItem(id))).map(({ id: key, widthPx, heightPx }) => [key, { widthPx, heightPx }])),
  )
  route(routes, adoptPictures, async ({ params: { id }, body }, { caller, now }) => {
    const relations = (await relationsToGuide(db, caller, body.from)) ?? new Set()
    if (!may(caller.permissions, 'item.edit', relations)) fail('not-found')
    return adoptPicturesOf(db, {
      from: guideItem(body.from),
      to: guideItem(id),
      pictures: body.pictures,
      by: caller.id,
      now,
      idFor: () => newId<PictureId>(),
    })
  })
  route(routes, findPrivateInPicture, async ({ params }) => {
    if (!(await findPicture(db, guideItem(params.id), params.pictureId))) fail('not-found')
    return blackouts.findPrivate(db, params.pictureId)
  })
  route(routes, askBlackoutReach, ({ params, body }, { caller }) => blackouts.reachOf(db, caller, params.id, body.places))
  route(routes, applyBlackouts, ({ params, body }, { caller, now }) =>
    blackouts.applyBlackouts(routes.parts, caller, params.id, body.places, now),
  )
  route(routes, getDraftPicture, async ({ params, query }, { req, res }) =>
    sendPicture(req, res, content, await findPicture(db, guideItem(params.id), params.pictureId), query.size ?? 'full'),
  )
  route(routes, getEditionPicture, async ({ params, query }, { req, res }) =>
    sendPicture(req, res, content, await findPicture(db, guideItem(params.id), params.pictureId, params.edition), query.size ?? 'full'),
  )
}

export function guideRoutes(routes: Routes): void {
  draftRoutes(routes)
  pictureRoutes(routes)
}
