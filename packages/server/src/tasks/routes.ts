import * as contract from '@jackdaw/contracts/tasks'
import { taskItem } from '@jackdaw/core/items'
import { may } from '@jackdaw/core/people'
import type { PictureId, TaskId } from '@jackdaw/core/shared'
import { findPicture, readPicture, sendPicture, storePicture } from '../files'
import { fail, route, type Routes } from '../http'
import { FAVOURITE, ITEM } from '../items'
import { answerHandIn, handIn } from './handIns'
import { HAND_IN } from './model'
import { draftOf, handInsOf, roleNameOf, stateOfTask, tasksOf, toConfirm } from './shown'
import { createTask, documentOfEdition, draftShows, saveTask } from './writing'

/** Writing tasks. */
function draftRoutes(routes: Routes): void {
  const { database: db, content, decoder, newId } = routes.parts

  route(routes, contract.listTasks, ({ query }, { caller }) => tasksOf(db, caller.id, query.archived === 'yes'))
  route(routes, contract.createTask, async ({ body: { document } }, { caller, now }) => {
    const id = newId<TaskId>()
    await createTask(db, { id, document, ownerId: caller.id, now })
    return { id }
  })
  route(routes, contract.getTaskDraft, async ({ params: { id } }, { caller, relations }) => ({
    ...(await draftOf(db, id)),
    mayPublish: may(caller.permissions, 'item.publish', relations),
  }))
  route(routes, contract.saveTask, async ({ params: { id }, body }, { caller, now }) => ({
    revision: await saveTask(db, id, body, caller.id, now),
  }))
  route(routes, contract.archiveTask, async ({ params: { id }, body: { archived } }, { now }) => {
    await db.in(ITEM).update({ archivedAt: archived ? now : null }, taskItem(id))
  })
  route(routes, contract.addTaskPicture, async ({ params: { id }, bytes }, { caller, now }) => {
    const picture = await readPicture(decoder, bytes)
    const pictureId = newId<PictureId>()
    await storePicture(db, content, picture, { id: pictureId, item: taskItem(id), by: caller.id, now })
    return { id: pictureId, widthPx: picture.widthPx, heightPx: picture.heightPx }
  })
  route(routes, contract.getTaskDraftPicture, async ({ params: { id, pictureId }, query }, { req, res }) => {
    // What people hand in belongs to the task too, and is nobody's business who writes it.
    const picture = (await draftShows(db, id, pictureId)) ? await findPicture(db, taskItem(id), pictureId) : undefined
    await sendPicture(req, res, content, picture, query.size ?? 'screen')
  })
}

/** Doing tasks. */
function doingRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db, content, decoder, newId } = parts

  route(routes, contract.getTask, async ({ params: { id } }, { caller, relations, now }) => {
    const item = (await db.in(ITEM).one(taskItem(id))) ?? fail('not-found')
    const { edition, number } = item
    if (edition === null) return fail('not-published', 'The task has not been published yet.')
    const document = await documentOfEdition(db, id, edition)
    return {
      ...{ id, number, edition, document, role: await roleNameOf(db, document) },
      favourite: (await db.in(FAVOURITE).count({ personId: caller.id, itemKind: 'task', itemId: id })) > 0,
      mayEdit: may(caller.permissions, 'item.edit', relations),
      maySeeRecords: may(caller.permissions, 'records.item', relations),
      ...(await stateOfTask(db, id, caller.id, now)),
      handIns: await handInsOf(db, id, caller.id),
    }
  })
  route(routes, contract.getTaskPicture, async ({ params: { id, edition, pictureId }, query }, { req, res }) =>
    sendPicture(req, res, content, await findPicture(db, taskItem(id), pictureId, edition), query.size ?? 'screen'),
  )
  route(routes, contract.addEvidencePhoto, async ({ params: { id }, bytes }, { caller, now }) => {
    const picture = await readPicture(decoder, bytes)
    const pictureId = newId<PictureId>()
    await storePicture(db, content, picture, { id: pictureId, item: taskItem(id), by: caller.id, now })
    return { id: pictureId, widthPx: picture.widthPx, heightPx: picture.heightPx }
  })
  route(routes, contract.handInTask, async ({ params, body }, { caller, now }) => {
    const id = await handIn(parts, params.id, body, caller.id, now)
    const asked = (await handInsOf(db, params.id, caller.id)).find((each) => each.id === id)?.asked ?? []
    return { id, asked }
  })
  route(routes, contract.takeBackHandIn, ({ params: { id } }, { caller, now }) =>
    answerHandIn(parts, id, { answer: 'taken-back', by: caller.id, now }),
  )
}

/** Confirming what others have done. */
function confirmingRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db, content } = parts

  route(routes, contract.listToConfirm, (_input, { caller }) => toConfirm(db, caller.id))
  route(routes, contract.answerHandIn, ({ params: { id }, body }, { caller, now }) =>
    answerHandIn(parts, id, { ...body, by: caller.id, now }),
  )
  route(routes, contract.getEvidencePhoto, async ({ params: { id }, query }, { req, res }) => {
    const { taskId, pictureId } = (await db.in(HAND_IN).one({ id }, { only: ['taskId', 'pictureId'] })) ?? fail('not-found')
    if (pictureId === null) return fail('not-found')
    await sendPicture(req, res, content, await findPicture(db, taskItem(taskId), pictureId), query.size ?? 'screen')
  })
  route(routes, contract.listHandIns, async ({ params: { id, taskId } }, { caller, relations }) => ({
    mayAnswer: id !== caller.id && may(caller.permissions, 'hand-in.answer', relations),
    handIns: await handInsOf(db, taskId, id),
  }))
}

export function taskRoutes(routes: Routes): void {
  draftRoutes(routes)
  doingRoutes(routes)
  confirmingRoutes(routes)
}
