import { ItemState } from '@jackdaw/core/items'
import { HandInId, Instant, LocalDate, PersonId, PictureId, TaskId } from '@jackdaw/core/shared'
import { HandInAnswer, MOST_EVIDENCE, MOST_REASON, TaskDocument } from '@jackdaw/core/tasks'
import { LineFor } from '@jackdaw/core/assignments'
import * as z from 'zod/mini'
import { EditionInAddress, endpoint } from './endpoint'
import { PersonRef } from './people'
import { MAX_PICTURE_BYTES, PictureSize, StoredPicture } from './pictures'

const task = z.object({ id: TaskId })
const edits = { access: { may: 'item.edit', over: 'task' }, params: task } as const
const reads = { access: { may: 'item.read', over: 'task' }, params: task } as const
const upload = { types: ['image/*', 'application/octet-stream'], maxBytes: MAX_PICTURE_BYTES } as const
const size = z.object({ size: z.optional(PictureSize) })

/** A task in a list. `edition`: the newest one, `null` before the first; `changed`: the draft says something else than it. */
export const TaskRow = z.object({
  id: TaskId,
  number: z.int(),
  title: z.string(),
  minutes: z.int(),
  owner: PersonRef,
  edition: z.nullable(z.int()),
  changed: z.boolean(),
  archived: z.boolean(),
  changedAt: Instant,
  /** How many people have it to do, and how many of them wait to be confirmed, and are done. */
  people: z.int(),
  waiting: z.int(),
  done: z.int(),
})
/** Read by {@link TaskRow}. */
export type TaskRow = z.infer<typeof TaskRow>
/** The tasks that the asker may edit, those changed last on top. */
export const listTasks = endpoint({
  method: 'get',
  path: '/api/tasks',
  access: { may: 'item.create' },
  query: z.object({ archived: z.optional(z.literal('yes')) }),
  response: z.array(TaskRow),
  problems: ['invalid'],
})
/** Makes a task of one's own; nobody has it before it is published and given. */
export const createTask = endpoint({
  method: 'post',
  path: '/api/tasks',
  access: { may: 'item.create' },
  body: z.object({ document: TaskDocument }),
  response: z.object({ id: TaskId }),
  problems: ['invalid', 'not-found'],
})
/** What a task says at the moment, for whoever writes it. */
export const getTaskDraft = endpoint({
  method: 'get',
  path: '/api/tasks/:id/draft',
  ...edits,
  response: z.object({
    id: TaskId,
    number: z.int(),
    revision: z.int(),
    document: TaskDocument,
    /** The name of the role that confirms, where one does. */
    role: z.nullable(z.string()),
    edition: z.nullable(z.int()),
    changed: z.boolean(),
    archived: z.boolean(),
    mayPublish: z.boolean(),
  }),
  problems: [],
})
/** Says anew what a task says; whoever has it reads the newest edition. `revision`: the state that was changed. */
export const saveTask = endpoint({
  method: 'put',
  path: '/api/tasks/:id/draft',
  ...edits,
  body: z.object({ revision: z.int(), document: TaskDocument }),
  response: z.object({ revision: z.int() }),
  problems: ['invalid', 'draft-moved-on'],
})
/** Publishes what a task says as its next edition. `again`: whoever is done has to do it once more. */
export const publishTask = endpoint({
  method: 'post',
  path: '/api/tasks/:id/editions',
  access: { may: 'item.publish', over: 'task' },
  params: task,
  body: z.object({ revision: z.int(), changeNote: z.string().check(z.maxLength(500)), again: z.boolean() }),
  response: z.object({ edition: z.int() }),
  problems: ['invalid', 'draft-moved-on', 'item-archived'],
})
/** Puts a task into the archive, where nobody has to do it any more, or takes it out again. */
export const archiveTask = endpoint({
  method: 'put',
  path: '/api/tasks/:id/archived',
  ...edits,
  body: z.object({ archived: z.boolean() }),
  problems: ['invalid'],
})
/** Stores a picture for a task; the draft then names it. */
export const addTaskPicture = endpoint({
  method: 'post',
  path: '/api/tasks/:id/pictures',
  ...edits,
  bytes: upload,
  response: StoredPicture,
  problems: ['not-a-picture', 'too-large', 'wrong-type'],
})
/** The picture of the draft. */
export const getTaskDraftPicture = endpoint({
  method: 'get',
  path: '/tasks/:id/draft/pictures/:pictureId',
  access: edits.access,
  file: true,
  params: z.object({ id: TaskId, pictureId: PictureId }),
  query: size,
  problems: ['not-found'],
})
/** The picture of an edition. */
export const getTaskPicture = endpoint({
  method: 'get',
  path: '/tasks/:id/editions/:edition/pictures/:pictureId',
  access: reads.access,
  file: true,
  params: z.object({ id: TaskId, edition: EditionInAddress, pictureId: PictureId }),
  query: size,
  problems: ['not-found'],
})

/** What somebody has handed in, and what came of it. */
export const HandIn = z.object({
  id: HandInId,
  edition: z.int(),
  words: z.string(),
  hasPhoto: z.boolean(),
  at: Instant,
  answer: z.nullable(HandInAnswer),
  answeredAt: z.nullable(Instant),
  answeredBy: z.nullable(PersonRef),
  reason: z.string(),
  /** Who is asked to confirm it, while nobody has. */
  asked: z.array(PersonRef),
})
/** Read by {@link HandIn}. */
export type HandIn = z.infer<typeof HandIn>

/** The newest edition of a task, for whoever does it, and how far they are with it, the last thing handed in on top. */
export const getTask = endpoint({
  method: 'get',
  path: '/api/tasks/:id',
  ...reads,
  response: z.object({
    id: TaskId,
    number: z.int(),
    edition: z.int(),
    document: TaskDocument,
    role: z.nullable(z.string()),
    favourite: z.boolean(),
    mayEdit: z.boolean(),
    maySeeRecords: z.boolean(),
    state: ItemState,
    use: z.nullable(LineFor),
    dueOn: z.nullable(LocalDate),
    handIns: z.array(HandIn),
  }),
  problems: ['not-published'],
})
/** Stores a photo that its sender is about to hand in. */
export const addEvidencePhoto = endpoint({
  method: 'post',
  path: '/api/tasks/:id/photos',
  ...reads,
  bytes: upload,
  response: StoredPicture,
  problems: ['not-a-picture', 'too-large', 'wrong-type'],
})
/** Says that one has done a task, with the evidence that it asks for; whoever confirms it is told. */
export const handInTask = endpoint({
  method: 'post',
  path: '/api/tasks/:id/hand-ins',
  ...reads,
  body: z.object({ edition: z.int(), words: z.string().check(z.maxLength(MOST_EVIDENCE)), photo: z.nullable(PictureId) }),
  response: z.object({ id: HandInId, asked: z.array(PersonRef) }),
  problems: ['invalid', 'not-published', 'precondition-failed', 'already-handed-in', 'already-done'],
})

const handIn = z.object({ id: HandInId })
/** The photo that was handed in. */
export const getEvidencePhoto = endpoint({
  method: 'get',
  path: '/hand-ins/:id/photo',
  access: { may: 'hand-in.read', over: 'hand-in' },
  file: true,
  params: handIn,
  query: size,
  problems: ['not-found'],
})
/** Confirms that somebody has done a task, or sends it back with a reason. Nobody answers their own. */
export const answerHandIn = endpoint({
  method: 'post',
  path: '/api/hand-ins/:id/answer',
  access: { may: 'hand-in.answer', over: 'hand-in' },
  params: handIn,
  body: z.discriminatedUnion('answer', [
    z.object({ answer: z.literal('confirmed') }),
    z.object({
      answer: z.literal('sent-back'),
      reason: z.string().check(z.trim(), z.minLength(1, 'Say why it comes back'), z.maxLength(MOST_REASON)),
    }),
  ]),
  problems: ['invalid', 'already-answered', 'not-allowed'],
})
/** Takes back what one has handed in and nobody has answered yet. */
export const takeBackHandIn = endpoint({
  method: 'post',
  path: '/api/hand-ins/:id/take-back',
  access: { may: 'hand-in.take-back', over: 'hand-in' },
  params: handIn,
  problems: ['already-answered'],
})

/** Something that waits to be confirmed. */
export const ToConfirm = z.object({
  id: HandInId,
  task: z.object({ id: TaskId, number: z.int(), title: z.string(), words: z.string() }),
  person: z.object({ ...PersonRef.shape, site: z.string() }),
  words: z.string(),
  hasPhoto: z.boolean(),
  at: Instant,
  dueOn: z.nullable(LocalDate),
})
/** Read by {@link ToConfirm}. */
export type ToConfirm = z.infer<typeof ToConfirm>
/** So many are listed at once. */
export const MOST_TO_CONFIRM = 200
/** What the asker is asked to confirm, what waits longest on top; `count` of all of it. */
export const listToConfirm = endpoint({
  method: 'get',
  path: '/api/to-confirm',
  access: { may: 'today.read' },
  response: z.object({ count: z.int(), rows: z.array(ToConfirm) }),
  problems: [],
})
/** All that a person has handed in of a task, the newest on top; `mayAnswer`: whether the asker can answer what waits. */
export const listHandIns = endpoint({
  method: 'get',
  path: '/api/people/:id/hand-ins/:taskId',
  access: { may: 'records.person', over: 'person' },
  params: z.object({ id: PersonId, taskId: TaskId }),
  response: z.object({ mayAnswer: z.boolean(), handIns: z.array(HandIn) }),
  problems: ['not-found'],
})
