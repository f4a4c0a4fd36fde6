import { addBankCaptions, addQuizCaptions, beginBankClip, beginQuizClip, getBankClip, getQuizDraftClip } from '@jackdaw/contracts/clips'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { addBankPicture, addQuizPicture, getBankPicture, getQuizDraftPicture } from '@jackdaw/contracts/quizzes'
import type { BankId, QuizId } from '@jackdaw/core/shared'
import { call } from '../../api'
import type { FileSource } from '../../quizzes/ContentView'
import type { FilesHere } from './filesHere'

/** Where the files of a quiz are that is being written. */
export const sourceOfDraft = (id: QuizId): FileSource => ({
  picture: (pictureId) => addressOf(getQuizDraftPicture, { id, pictureId }),
  clip: (clipId, captions) => addressOf(getQuizDraftClip, { id, clipId }, { captions }),
})
/** Where the files of a bank are. */
export const sourceOfBank = (id: BankId): FileSource => ({
  picture: (pictureId) => addressOf(getBankPicture, { id, pictureId }),
  clip: (clipId, captions) => addressOf(getBankClip, { id, clipId }, { captions }),
})

/** The files of a quiz that is being written. */
export const filesOfQuiz = (id: QuizId): FilesHere => ({
  source: sourceOfDraft(id),
  add: (bytes) => call(addQuizPicture, { params: { id }, bytes }),
  beginClip: (body) => call(beginQuizClip, { params: { id }, body }),
  addCaptions: (clipId, body) => call(addQuizCaptions, { params: { id, clipId }, body }),
})
/** The files of a bank. */
export const filesOfBank = (id: BankId): FilesHere => ({
  source: sourceOfBank(id),
  add: (bytes) => call(addBankPicture, { params: { id }, bytes }),
  beginClip: (body) => call(beginBankClip, { params: { id }, body }),
  addCaptions: (clipId, body) => call(addBankCaptions, { params: { id, clipId }, body }),
})
