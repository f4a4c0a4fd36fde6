import * as contract from '@jackdaw/contracts/clips'
import { CLIP_LIMITS, type NewClip } from '@jackdaw/core/clips'
import { quizItem } from '@jackdaw/core/items'
import type { CaptionsId, ClipId, PersonId } from '@jackdaw/core/shared'
import { addCaptions, beginClip, findClip, findUsedClip, sendClip, type ClipOwner } from '../files'
import { fail, route, said, type Routes } from '../http'
import { questionAsked } from './attempts/answering'
import { QUIZ_ATTEMPT } from './model'
import { takesKind } from '@jackdaw/core/quizzes'

/** Somewhat longer than asked for is taken: recorders stop at a whole piece. */
const LENIENT_MS = 3_000

/** Sound and video: of quizzes and banks, and what people reply with. */
export function clipRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db, newId } = parts
  const begin = async (owner: ClipOwner, clip: NewClip, by: PersonId, now: number) => {
    const id = newId<ClipId>()
    await beginClip(db, { id, owner, clip, by, now })
    return { id }
  }
  const caption = async (owner: ClipOwner, clipId: ClipId, captions: { language: string; text: string }, now: number) => {
    if (!(await findClip(db, owner, clipId))) return fail('not-found')
    const id = newId<CaptionsId>()
    await addCaptions(db, { id, clipId, ...captions, now })
    return { id }
  }

  route(routes, contract.beginQuizClip, ({ params: { id }, body }, { caller, now }) => begin({ kind: 'quiz', id }, body, caller.id, now))
  route(routes, contract.beginBankClip, ({ params: { id }, body }, { caller, now }) => begin({ kind: 'bank', id }, body, caller.id, now))
  route(routes, contract.addQuizCaptions, ({ params: { id, clipId }, body }, { now }) => caption({ kind: 'quiz', id }, clipId, body, now))
  route(routes, contract.addBankCaptions, ({ params: { id, clipId }, body }, { now }) => caption({ kind: 'bank', id }, clipId, body, now))
  route(routes, contract.beginReplyClip, async ({ params: { id }, body: { questionId, clip } }, { caller, now }) => {
    const question = await questionAsked(db, id, questionId, now)
    if (question.kind !== 'recorded') return fail('not-found')
    const { by, mostSeconds } = question.ask
    if (!takesKind({ by }, clip.kind)) fail('invalid', 'This question is replied to in another way. Nothing was sent.')
    if (clip.bytes > CLIP_LIMITS.replyBytes)
      fail('invalid', said('A reply has {{most}} MB at most. Record a shorter one.', { most: CLIP_LIMITS.replyBytes / 1024 / 1024 }))
    if ((clip.durationMs ?? 0) > mostSeconds * 1_000 + LENIENT_MS)
      fail('invalid', said('A reply takes {{most}} seconds at most. Record a shorter one.', { most: mostSeconds }))
    return begin({ kind: 'quiz-attempt', id }, clip, caller.id, now)
  })

  route(routes, contract.getQuizDraftClip, async ({ params: { id, clipId }, query: { captions } }, { req, res }) =>
    sendClip(parts, await findClip(db, { kind: 'quiz', id }, clipId), { req, res, captions }),
  )
  route(routes, contract.getBankClip, async ({ params: { id, clipId }, query: { captions } }, { req, res }) =>
    sendClip(parts, await findClip(db, { kind: 'bank', id }, clipId), { req, res, captions }),
  )
  route(routes, contract.getQuizClip, async ({ params: { id, edition, clipId }, query: { captions } }, { req, res }) =>
    sendClip(parts, await findUsedClip(db, quizItem(id), edition, clipId), { req, res, captions }),
  )
  route(routes, contract.getAttemptClip, async ({ params: { id, clipId }, query: { captions } }, { req, res }) => {
    const { quizId, edition } = (await db.in(QUIZ_ATTEMPT).one({ id }, { only: ['quizId', 'edition'] })) ?? fail('not-found')
    const clip = (await findClip(db, { kind: 'quiz-attempt', id }, clipId)) ?? (await findUsedClip(db, quizItem(quizId), edition, clipId))
    return sendClip(parts, clip, { req, res, captions })
  })
}
