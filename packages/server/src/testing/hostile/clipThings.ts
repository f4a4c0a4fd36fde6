import { quizItem } from '@jackdaw/core/items'
import type { CaptionsId, ClipId, PersonId, QuizId } from '@jackdaw/core/shared'
import { wave } from '@jackdaw/core/clips'
import { nanoid } from 'nanoid'
import { addCaptions, addToClip, beginClip, noteClipUse, type ClipOwner } from '../../files'
import { START, type TestServer } from '../testServer'

/** A clip with captions. */
export type ClipThings = { clip: string; captions: string }
export const noClip = (): ClipThings => ({ clip: nanoid(), captions: nanoid() })

/** A short sound. */
export const BEEP = wave([{ hz: 880, ms: 50 }])

/** Makes a clip of what an endpoint is about, with captions; one that is to be sent has still to come. */
export async function aClip(
  { parts: { database, content } }: TestServer,
  path: string,
  { quiz, bank, quizAttempt }: { quiz: string; bank: string; quizAttempt: string },
  by: PersonId,
): Promise<ClipThings> {
  const made = noClip()
  const id = made.clip as ClipId
  const owner: ClipOwner = path.includes('quiz-attempts')
    ? { kind: 'quiz-attempt', id: quizAttempt }
    : path.includes('bank')
      ? { kind: 'bank', id: bank }
      : { kind: 'quiz', id: quiz }
  await beginClip(database, { id, owner, clip: { kind: 'sound', bytes: BEEP.length, durationMs: 50 }, by, now: START })
  if (!path.includes('clip-uploads')) await addToClip(database, content, id, 0, Buffer.from(BEEP))
  const text = '00:00.000 --> 00:00.050\nBeep'
  await addCaptions(database, { id: made.captions as CaptionsId, clipId: id, language: 'en', text, now: START })
  await noteClipUse(database, quizItem(quiz as QuizId), 1, [id])
  return made
}
