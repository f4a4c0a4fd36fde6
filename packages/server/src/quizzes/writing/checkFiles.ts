import { itemKey, quizItem } from '@jackdaw/core/items'
import { clipsOf, picturesOf, type Question } from '@jackdaw/core/quizzes'
import type { BankId, PictureId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { clipOfCaptions, clipsOwned, ownersOf, type ClipOwner } from '../../files'
import { failField } from '../../http'
import { BANK_PICTURE } from '../model'

/** Refuses questions that show pictures of something else: a quiz and a bank show their own only. @param owned whether a picture is their own */
function refuseOthers(questions: readonly Question[], owned: (id: PictureId) => boolean, pointer: string): void {
  if (questions.flatMap(picturesOf).some((id) => !owned(id)))
    failField(pointer, 'One of the pictures does not belong here. Take it out, and add it anew.')
}
const idsOf = (questions: readonly Question[]): PictureId[] => [...new Set(questions.flatMap(picturesOf))]

/** Refuses clips of something else, such as are not whole yet, and captions of another clip. */
async function checkClips(db: Db, owner: ClipOwner | null, questions: readonly Question[], pointer: string): Promise<void> {
  const clips = questions.flatMap(clipsOf)
  if (clips.length === 0) return
  const owned = await clipsOwned(db, owner ?? { kind: 'quiz', id: '' }, [...new Set(clips.map(({ id }) => id))])
  const captioned = await clipOfCaptions(db, [...new Set(clips.flatMap(({ captions }) => captions))])
  if (clips.some(({ id, captions }) => !owned.has(id) || captions.some((each) => captioned.get(each) !== id)))
    failField(pointer, 'Some sound or video does not belong here, or its captions do not. Take it out, and add it anew.')
}

/** Refuses a quiz that shows pictures or clips of something else. @param id `null` for one that is still to be made */
export async function checkQuizFiles(db: Db, id: QuizId | null, questions: readonly Question[]): Promise<void> {
  const pointer = 'body/document/parts'
  const owners = await ownersOf(db, idsOf(questions))
  refuseOthers(questions, (picture) => id !== null && owners.get(picture) === itemKey(quizItem(id)), pointer)
  await checkClips(db, id && { kind: 'quiz', id }, questions, pointer)
}
/** Refuses a bank that shows pictures or clips of something else. @param id `null` for one that is still to be made */
export async function checkBankFiles(db: Db, id: BankId | null, questions: readonly Question[]): Promise<void> {
  const pointer = 'body/document/questions'
  const own = id === null ? [] : await db.in(BANK_PICTURE).find({ bankId: id, pictureId: idsOf(questions) }, { only: ['pictureId'] })
  const owned = new Set(own.map(({ pictureId }) => pictureId))
  refuseOthers(questions, (picture) => owned.has(picture), pointer)
  await checkClips(db, id && { kind: 'bank', id }, questions, pointer)
}
