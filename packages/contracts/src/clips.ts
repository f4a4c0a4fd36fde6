import { CLIP_LIMITS, NewClip } from '@jackdaw/core/clips'
import { BankId, CaptionsId, ClipId, QuestionId, QuizAttemptId, QuizId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { EditionInAddress, endpoint } from './endpoint'

const ofQuiz = { access: { may: 'item.edit', over: 'quiz' } } as const
const ofBank = { access: { may: 'bank.edit', over: 'bank' } } as const
const begins = { response: z.object({ id: ClipId }), problems: ['invalid'] } as const

/** Begins sound or video of a quiz. Its bytes are sent by {@link sendClipPart}; once all are there, questions may name it. */
export const beginQuizClip = endpoint({
  method: 'post',
  path: '/api/quizzes/:id/clips',
  ...ofQuiz,
  params: z.object({ id: QuizId }),
  body: NewClip,
  ...begins,
})
/** Begins sound or video of a bank, as {@link beginQuizClip}. */
export const beginBankClip = endpoint({
  method: 'post',
  path: '/api/banks/:id/clips',
  ...ofBank,
  params: z.object({ id: BankId }),
  body: NewClip,
  ...begins,
})
/** Begins what somebody replies with. Once all of it is there, it is saved as their answer, as others are. */
export const beginReplyClip = endpoint({
  method: 'post',
  path: '/api/quiz-attempts/:id/clips',
  access: { may: 'attempt.answer', over: 'quiz-attempt' },
  params: z.object({ id: QuizAttemptId }),
  body: z.object({ questionId: QuestionId, clip: NewClip }),
  response: begins.response,
  problems: ['invalid', 'attempt-over'],
})

const sends = { access: { may: 'clip.send', over: 'clip' }, params: z.object({ id: ClipId }), file: true } as const
/** How much of a clip has come, by the tus protocol (tus.io, Resumable Upload Protocol 1.0.0): `Upload-Offset` of `Upload-Length`. */
export const askClipUpload = endpoint({
  method: 'head',
  path: '/api/clip-uploads/:id',
  ...sends,
  problems: ['precondition-failed'],
})
/** Sends the next bytes of a clip, by the same protocol. Only who has begun it does; a connection that breaks loses nothing of what came before. */
export const sendClipPart = endpoint({
  method: 'patch',
  path: '/api/clip-uploads/:id',
  ...sends,
  bytes: { types: ['application/offset+octet-stream'], maxBytes: CLIP_LIMITS.partBytes },
  problems: ['invalid', 'not-a-clip', 'precondition-failed', 'too-large', 'upload-moved-on', 'wrong-type'],
})

/** Captions, as WebVTT or SubRip. `language`: BCP 47. */
export const NewCaptions = z.object({
  language: z.string().check(z.regex(/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/, 'Not a language')),
  text: z.string().check(z.maxLength(CLIP_LIMITS.captions)),
})
const captioned = {
  body: NewCaptions,
  maxBytes: 4 * CLIP_LIMITS.captions + 1_024,
  response: z.object({ id: CaptionsId }),
  problems: ['invalid', 'not-found'],
} as const
/** Stores captions of a clip of a quiz; its questions then name them. */
export const addQuizCaptions = endpoint({
  method: 'post',
  path: '/api/quizzes/:id/clips/:clipId/captions',
  ...ofQuiz,
  params: z.object({ id: QuizId, clipId: ClipId }),
  ...captioned,
})
/** Stores captions of a clip of a bank; its questions then name them. */
export const addBankCaptions = endpoint({
  method: 'post',
  path: '/api/banks/:id/clips/:clipId/captions',
  ...ofBank,
  params: z.object({ id: BankId, clipId: ClipId }),
  ...captioned,
})

/** `captions`: these of the clip, as WebVTT, in the place of itself. */
const plays = { file: true, query: z.object({ captions: z.optional(CaptionsId) }), problems: ['not-found', 'no-such-range'] } as const
/** A clip of the draft of a quiz, whole or a range of it. */
export const getQuizDraftClip = endpoint({
  method: 'get',
  path: '/quizzes/:id/draft/clips/:clipId',
  ...ofQuiz,
  params: z.object({ id: QuizId, clipId: ClipId }),
  ...plays,
})
/** A clip of a bank. */
export const getBankClip = endpoint({
  method: 'get',
  path: '/banks/:id/clips/:clipId',
  access: { may: 'bank.use', over: 'bank' },
  params: z.object({ id: BankId, clipId: ClipId }),
  ...plays,
})
/** A clip that an edition of a quiz shows. */
export const getQuizClip = endpoint({
  method: 'get',
  path: '/quizzes/:id/editions/:edition/clips/:clipId',
  access: { may: 'item.read', over: 'quiz' },
  params: z.object({ id: QuizId, edition: EditionInAddress, clipId: ClipId }),
  ...plays,
})
/** A clip that the questions of an attempt show, or that somebody has replied with in it, for whoever may see it. */
export const getAttemptClip = endpoint({
  method: 'get',
  path: '/quiz-attempts/:id/clips/:clipId',
  access: { may: 'attempt.see', over: 'quiz-attempt' },
  params: z.object({ id: QuizAttemptId, clipId: ClipId }),
  ...plays,
})
