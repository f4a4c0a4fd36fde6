import { getAttemptPicture } from '@jackdaw/contracts/attempts'
import { getAttemptClip } from '@jackdaw/contracts/clips'
import { addressOf } from '@jackdaw/contracts/endpoint'
import type { QuizAttemptId } from '@jackdaw/core/shared'
import type { FileSource } from './ContentView'

/** Where the files of an attempt are: of its questions, and of what was replied. */
export const attemptFiles = (id: QuizAttemptId): FileSource => ({
  picture: (pictureId) => addressOf(getAttemptPicture, { id, pictureId }),
  clip: (clipId, captions) => addressOf(getAttemptClip, { id, clipId }, { captions }),
})
