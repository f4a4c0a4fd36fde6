import { amendmentsFor, type Question, type QuestionAmendment } from '@jackdaw/core/quizzes'
import type { QuestionId, QuizId } from '@jackdaw/core/shared'
import type { Attributes } from 'sequelize'
import type { Db } from '../../db'
import { QUIZ_AMENDMENT, type QuizAmendmentRow } from '../model'

/** What the core has to know of an amendment. */
const amendmentIn = ({ how, questionId, question }: Attributes<QuizAmendmentRow>): QuestionAmendment =>
  how === 'voided' ? { how, questionId } : { how, questionId, question }

/** What was put right of the questions of an edition, in the order in which that was done. */
export async function amendmentsOf(db: Db, quizId: QuizId, questions: ReadonlyMap<QuestionId, Question>): Promise<QuestionAmendment[]> {
  const rows = await db.in(QUIZ_AMENDMENT).find({ quizId }, { order: ['at', 'id'] })
  return amendmentsFor(questions, rows.map(amendmentIn))
}
