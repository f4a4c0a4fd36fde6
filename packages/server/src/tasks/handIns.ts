import type { ItemState } from '@jackdaw/core/items'
import { taskItem } from '@jackdaw/core/items'
import type { HandInId, PersonId, PictureId, TaskId } from '@jackdaw/core/shared'
import type { HandInAnswer, TASK_VERBS } from '@jackdaw/core/tasks'
import { v7 as uuidV7 } from 'uuid'
import type { Db } from '../db'
import { addAttested, oneAtATime } from '../events'
import { PICTURE } from '../files'
import { fail, failField, type Parts } from '../http'
import { notify } from '../inbox'
import { ITEM } from '../items'
import { PERSON } from '../people'
import { askAbout, askNoMore } from './asking'
import { HAND_IN, TASK_EDITION } from './model'
import { stateOfTask } from './shown'

type Verb = keyof typeof TASK_VERBS
type Telling = {
  verb: Verb
  task: TaskId
  edition: number
  subject: PersonId
  by: PersonId
  at: number
  now: number
  carries?: Record<string, unknown>
}
/** Writes down what has happened; attested, since the server itself was told by whoever did it. */
const told = (tx: Db, { events }: Parts, { verb, task, edition, subject, by, at, now, carries = {} }: Telling): Promise<void> =>
  addAttested(tx, events, { subject, by, now }, [{ id: uuidV7(), verb, way: null, item: taskItem(task), edition, occurredAt: at, carries }])

/** Refuses to hand in what is done, or waits already. */
function refuseUnasked(state: ItemState): void {
  if (state === 'waiting')
    fail('already-handed-in', 'You have handed it in, and somebody is asked to confirm it. Take it back to change it.')
  if (state === 'done') fail('already-done', 'It is confirmed that you have done this.')
}

/** Whether what is handed in is what the edition asks for. */
async function checkEvidence(tx: Db, task: TaskId, edition: number, evidence: Evidence, by: PersonId): Promise<void> {
  const asked = (await tx.in(TASK_EDITION).one({ taskId: task, edition })) ?? fail('not-found')
  if (asked.evidence === 'words' && evidence.words.trim() === '') failField('body/words', 'Write what you have done.')
  if (asked.evidence === 'photo' && evidence.photo === null) failField('body/photo', 'Add a photo.')
  if (evidence.photo === null) return
  const own = await tx.in(PICTURE).one({ id: evidence.photo, itemKind: 'task', itemId: task, createdBy: by }, { only: ['id'] })
  if (!own) failField('body/photo', 'This photo is not one of yours. Add it once more.')
}

type Evidence = { words: string; photo: PictureId | null }
/** Hands a task in: whoever confirms it is asked.
 * @throws `precondition-failed` when there is a newer edition, `already-handed-in`, `already-done` */
export async function handIn(
  parts: Parts,
  task: TaskId,
  { edition, ...evidence }: Evidence & { edition: number },
  by: PersonId,
  now: number,
): Promise<HandInId> {
  return parts.database.transaction(async (tx) => {
    await oneAtATime(tx, by)
    const item = (await tx.in(ITEM).one(taskItem(task))) ?? fail('not-found')
    if (item.edition === null || item.archivedAt !== null) return fail('not-published', 'It is not to be done any more.')
    if (item.edition !== edition)
      fail('precondition-failed', 'The task has been changed meanwhile. Nothing was handed in: read what it says now, then hand it in.')
    refuseUnasked((await stateOfTask(tx, task, by, now)).state)
    await checkEvidence(tx, task, edition, evidence, by)
    const id = parts.newId<HandInId>()
    // It comes after the answer to what was handed in before, also within a thousandth of a second.
    const last = (await tx.in(HAND_IN).find({ taskId: task, personId: by }, { only: ['answeredAt'] })).map(
      ({ answeredAt }) => answeredAt ?? 0,
    )
    const at = Math.max(now, ...last.map((each) => each + 1))
    const { words, photo: pictureId } = evidence
    await tx.in(HAND_IN).insert({ id, taskId: task, edition, personId: by, words: words.trim(), pictureId, at, reason: '' })
    await told(tx, parts, { verb: 'handed-in', task, edition, subject: by, by, at, now })
    await askAbout(tx, parts, id, now)
    return id
  })
}

const VERB_OF: Record<HandInAnswer, Verb> = { confirmed: 'confirmed', 'sent-back': 'sent-back', 'taken-back': 'taken-back' }
type Answering = { answer: HandInAnswer; reason?: string; by: PersonId; now: number }
/** Answers what somebody has handed in.
 * @throws `already-answered`; `not-allowed` to whoever would answer their own */
export async function answerHandIn(parts: Parts, id: HandInId, { answer, reason = '', by, now }: Answering): Promise<void> {
  await parts.database.transaction(async (tx) => {
    const { personId, taskId: task, edition } = (await tx.in(HAND_IN).one({ id })) ?? fail('not-found')
    if (answer !== 'taken-back' && personId === by) fail('not-allowed', 'Nobody answers what they have handed in themselves.')
    await oneAtATime(tx, personId)
    const was = (await tx.in(HAND_IN).one({ id }, { lock: true })) ?? fail('not-found')
    if (was.answer !== null) fail('already-answered', 'Somebody has answered it meanwhile. Nothing was changed.')
    // An answer comes after what it answers, also within a thousandth of a second.
    const at = Math.max(now, was.at + 1)
    await tx.in(HAND_IN).update({ answer, answeredAt: at, answeredBy: by, reason }, { id })
    const carries = answer === 'sent-back' ? { reason } : {}
    await told(tx, parts, { verb: VERB_OF[answer], task, edition, subject: personId, by, at, now, carries })
    await askNoMore(tx, id, task, now)
    if (answer === 'taken-back') return
    const [title, name] = [
      (await tx.in(ITEM).one(taskItem(task), { only: ['title'] }))?.title ?? '',
      (await tx.in(PERSON).one({ id: by }, { only: ['name'] }))?.name ?? '',
    ]
    if (answer === 'confirmed') await notify(tx, parts, 'confirmed', taskItem(task), [{ personId, data: { title, by: name } }], now)
    else await notify(tx, parts, 'sent-back', taskItem(task), [{ personId, data: { title, by: name, reason } }], now)
  })
}
