import { createHash } from 'node:crypto'
import { ITEM_KINDS, itemKey, taskItem } from '@jackdaw/core/items'
import { canonicalJson, type GroupId, type PersonId, type PictureId, type TaskId } from '@jackdaw/core/shared'
import { TaskDocument } from '@jackdaw/core/tasks'
import type { Db } from '../db'
import { notePictureUse, ownersOf } from '../files'
import { fail, failField } from '../http'
import { addEdition, findEdition, ITEM, revisionOfEdition } from '../items'
import { GROUP } from '../people'
import { TASK, TASK_EDITION, type TaskRow } from './model'

/** A task that is there. @param lock hold it until the end of the transaction
 * @throws `not-found` */
const heldTask = async (tx: Db, id: TaskId): Promise<TaskRow> =>
  ((await tx.in(TASK).one({ id }, { lock: true })) as TaskRow | undefined) ?? fail('not-found')

/** The role that confirms, as long as it is one; `null` where none does. */
export const roleOf = ({ confirmer }: Pick<TaskDocument, 'confirmer'>): GroupId | null =>
  confirmer.by === 'role' ? confirmer.roleId : null

/** Refuses a document that names a role or a picture that cannot be meant.
 * @param id the task whose pictures it may show; `null` for one that is still to be made */
async function check(db: Db, id: TaskId | null, document: TaskDocument): Promise<void> {
  const role = roleOf(document)
  if (role !== null && !(await db.in(GROUP).one({ id: role, kindId: 'role', closedAt: null }, { only: ['id'] })))
    failField('body/document/confirmer/roleId', 'There is no such role any more. Choose another one.')
  const { picture } = document
  if (picture === null) return
  const owner = (await ownersOf(db, [picture.id])).get(picture.id)
  if (id === null || owner !== itemKey(taskItem(id))) failField('body/document/picture/id', 'This picture does not belong to the task.')
}

/** Makes a task with its draft. */
export async function createTask(
  db: Db,
  { id, document, ownerId, now }: { id: TaskId; document: TaskDocument; ownerId: PersonId; now: number },
): Promise<void> {
  await check(db, null, document)
  await db.transaction(async (tx) => {
    const { number } = await tx.in(TASK).insert({ id, ownerId, revision: 1, document, createdAt: now, changedAt: now, changedBy: ownerId })
    await tx.in(ITEM).insert({ ...taskItem(id), number, claimSuffices: ITEM_KINDS.task.claimSuffices })
  })
}

/** Writes the draft anew.
 * @returns its revision
 * @throws `draft-moved-on` when somebody has changed it meanwhile */
export async function saveTask(
  db: Db,
  id: TaskId,
  { revision, document }: { revision: number; document: TaskDocument },
  by: PersonId,
  now: number,
): Promise<number> {
  await check(db, id, document)
  return db.transaction(async (tx) => {
    const was = await heldTask(tx, id)
    if (was.revision !== revision)
      fail('draft-moved-on', 'Somebody has changed this task while it was open here. Copy what you wrote, and load it again.')
    await tx.in(TASK).update({ document, revision: revision + 1, changedAt: now, changedBy: by }, { id })
    return revision + 1
  })
}

type Publishing = { revision: number; changeNote: string; again: boolean; by: PersonId; now: number }
/** Freezes the draft as the next edition; a draft that is the newest edition already stays that one.
 * @returns its number, and whether it is new */
export async function publishTask(
  tx: Db,
  id: TaskId,
  { revision, changeNote, again, by, now }: Publishing,
): Promise<{ number: number; isNew: boolean }> {
  const item = taskItem(id)
  const task = await heldTask(tx, id)
  const row = (await tx.in(ITEM).one(item)) ?? fail('not-found')
  if (row.archivedAt !== null) fail('item-archived', 'Take the task out of the archive to publish it.')
  if (task.revision !== revision)
    fail('draft-moved-on', 'Somebody has changed this task while it was open here. Look at it again, then publish.')
  const { document } = task
  await check(tx, id, document)
  if (row.edition !== null && (await revisionOfEdition(tx, item, row.edition)) === revision) return { number: row.edition, isNew: false }
  const number = (row.edition ?? 0) + 1
  const bytes = canonicalJson(document)
  await addEdition(tx, item, {
    number,
    revision,
    bytes,
    hash: createHash('sha256').update(bytes).digest('hex'),
    title: document.title,
    changeNote,
    mustReread: again,
    minutes: document.minutes,
    parts: [],
    by,
    now,
  })
  const { confirmer, evidence, picture } = document
  await tx.in(TASK_EDITION).insert({ taskId: id, edition: number, confirmer: confirmer.by, roleId: roleOf(document), evidence })
  await notePictureUse(tx, item, number, picture ? [picture.id] : [])
  return { number, isNew: true }
}

/** What an edition of a task says.
 * @throws `not-found` when there is none */
export async function documentOfEdition(db: Db, id: TaskId, edition: number): Promise<TaskDocument> {
  const { bytes } = (await findEdition(db, taskItem(id), edition)) ?? fail('not-found')
  return TaskDocument.parse(JSON.parse(bytes))
}

/** Whether the draft shows a picture. */
export const draftShows = async (db: Db, id: TaskId, pictureId: PictureId): Promise<boolean> =>
  (await db.in(TASK).one({ id }, { only: ['document'] }))?.document.picture?.id === pictureId
