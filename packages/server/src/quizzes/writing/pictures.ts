import { itemKey, quizItem } from '@jackdaw/core/items'
import { picturesOf, type Question } from '@jackdaw/core/quizzes'
import type { BankId, PictureId, QuizId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { ownersOf } from '../../files'
import { failField } from '../../http'
import { BANK_PICTURE } from '../model'

/** Refuses questions that show pictures of something else: a quiz and a bank show their own only. @param owned whether a picture is their own */
function refuseOthers(questions: readonly Question[], owned: (id: PictureId) => boolean, pointer: string): void {
  if (questions.flatMap(picturesOf).some((id) => !owned(id)))
    failField(pointer, 'One of the pictures does not belong here. Take it out, and add it anew.')
}
const idsOf = (questions: readonly Question[]): PictureId[] => [...new Set(questions.flatMap(picturesOf))]

/** Refuses a quiz that shows pictures of something else. @param id `null` for one that is still to be made */
export async function checkQuizPictures(db: Db, id: QuizId | null, questions: readonly Question[]): Promise<void> {
  const owners = await ownersOf(db, idsOf(questions))
  refuseOthers(questions, (picture) => id !== null && owners.get(picture) === itemKey(quizItem(id)), 'body/document/parts')
}
/** Refuses a bank that shows pictures of something else. @param id `null` for one that is still to be made */
export async function checkBankPictures(db: Db, id: BankId | null, questions: readonly Question[]): Promise<void> {
  const own = id === null ? [] : await db.in(BANK_PICTURE).find({ bankId: id, pictureId: idsOf(questions) }, { only: ['pictureId'] })
  const owned = new Set(own.map(({ pictureId }) => pictureId))
  refuseOthers(questions, (picture) => owned.has(picture), 'body/document/questions')
}
