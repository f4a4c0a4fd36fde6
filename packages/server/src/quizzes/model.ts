import type { HowAmended } from '@jackdaw/contracts/amendments'
import type { QuizEnd } from '@jackdaw/contracts/attempts'
import type { Answer, BankDocument, Question, QuizDocument, ResultChange, Verdict } from '@jackdaw/core/quizzes'
import type { QuizAmendmentId, QuizAttemptId, BankId, PersonId, PictureId, QuestionId, QuizId } from '@jackdaw/core/shared'
import { Model, type Attributes, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { big, counted, instant, json, key, optional, real, table, text, texts, truth, whole } from '../db'

/** A quiz as its author writes it. */
export class QuizRow extends Model<InferAttributes<QuizRow>, InferCreationAttributes<QuizRow>> {
  declare id: QuizId
  declare number: CreationOptional<number>
  declare ownerId: PersonId
  declare revision: number
  declare document: QuizDocument
  declare createdAt: number
  declare changedAt: number
  declare changedBy: PersonId
}
const written = () => ({
  id: key(text()),
  number: counted(whole()),
  ownerId: text(),
  revision: whole(),
  document: json(),
  createdAt: instant(),
  changedAt: instant(),
  changedBy: text(),
})
export const QUIZ = table('quiz', QuizRow, written)

/** Questions from which quizzes draw. */
export class BankRow extends Model<InferAttributes<BankRow>, InferCreationAttributes<BankRow>> {
  declare id: BankId
  declare number: CreationOptional<number>
  declare ownerId: PersonId
  declare revision: number
  declare document: BankDocument
  declare createdAt: number
  declare changedAt: number
  declare changedBy: PersonId
  declare archivedAt: CreationOptional<number | null>
}
export const BANK = table('question_bank', BankRow, () => ({ ...written(), archivedAt: optional(instant()) }))

/** A picture that belongs to a bank. */
export class BankPictureRow extends Model<InferAttributes<BankPictureRow>, InferCreationAttributes<BankPictureRow>> {
  declare pictureId: PictureId
  declare bankId: BankId
}
export const BANK_PICTURE = table('bank_picture', BankPictureRow, () => ({ pictureId: key(text()), bankId: text() }))

/** From which state of which bank an edition draws. */
export class QuizPoolRow extends Model<InferAttributes<QuizPoolRow>, InferCreationAttributes<QuizPoolRow>> {
  declare quizId: QuizId
  declare edition: number
  declare bankId: BankId
  declare revision: number
}
export const QUIZ_POOL = table('quiz_pool', QuizPoolRow, () => ({
  quizId: key(text()),
  edition: key(whole()),
  bankId: key(text()),
  revision: whole(),
}))

/** An attempt at a quiz. What came of it is a fact with the version of the rules by which it was marked; `percent` is not there as long as somebody has to judge. */
export class QuizAttemptRow extends Model<InferAttributes<QuizAttemptRow>, InferCreationAttributes<QuizAttemptRow>> {
  declare id: QuizAttemptId
  declare quizId: QuizId
  declare edition: number
  declare personId: PersonId
  declare number: number
  declare seed: number
  declare drawn: QuestionId[]
  declare language: string
  declare openedAt: number
  declare endsAt: number | null
  declare endedAt: CreationOptional<number | null>
  declare ended: CreationOptional<QuizEnd | null>
  declare rules: CreationOptional<number | null>
  declare points: CreationOptional<number | null>
  declare most: CreationOptional<number | null>
  declare percent: CreationOptional<number | null>
  declare passed: CreationOptional<boolean | null>
  declare rightCount: CreationOptional<number | null>
  /** How many of its questions count; `null`: all. */
  declare counted: CreationOptional<number | null>
  declare activeMs: number
}
/** An attempt as it is stored. */
export type Attempt = Attributes<QuizAttemptRow>
export const QUIZ_ATTEMPT = table('quiz_attempt', QuizAttemptRow, () => ({
  id: key(text()),
  quizId: text(),
  edition: whole(),
  personId: text(),
  number: whole(),
  seed: big(),
  drawn: texts(),
  language: text(),
  openedAt: instant(),
  endsAt: optional(instant()),
  endedAt: optional(instant()),
  ended: optional(text()),
  rules: optional(whole()),
  points: optional(real()),
  most: optional(real()),
  percent: optional(whole()),
  passed: optional(truth()),
  rightCount: optional(whole()),
  counted: optional(whole()),
  activeMs: whole(),
}))

/** What somebody has answered to a question of an attempt, and, once it is over, what came of it. */
export class QuizAnswerRow extends Model<InferAttributes<QuizAnswerRow>, InferCreationAttributes<QuizAnswerRow>> {
  declare attemptId: QuizAttemptId
  declare questionId: QuestionId
  declare answer: Answer | null
  declare revision: number
  declare savedAt: number
  declare activeMs: number
  declare verdict: CreationOptional<Verdict | null>
  /** What was chosen, as its kind counts it. */
  declare choices: CreationOptional<string[] | null>
  declare points: CreationOptional<number | null>
  declare most: CreationOptional<number | null>
}
export const QUIZ_ANSWER = table('quiz_answer', QuizAnswerRow, () => ({
  attemptId: key(text()),
  questionId: key(text()),
  answer: optional(json()),
  revision: whole(),
  savedAt: instant(),
  activeMs: whole(),
  verdict: optional(text()),
  choices: optional(texts()),
  points: optional(real()),
  most: optional(real()),
}))

/** How somebody has judged a reply. */
export class ReplyGradeRow extends Model<InferAttributes<ReplyGradeRow>, InferCreationAttributes<ReplyGradeRow>> {
  declare attemptId: QuizAttemptId
  declare questionId: QuestionId
  declare graderId: PersonId
  declare points: Record<string, number>
  declare words: string
  declare givenAt: number
}
export const REPLY_GRADE = table('reply_grade', ReplyGradeRow, () => ({
  attemptId: key(text()),
  questionId: key(text()),
  graderId: key(text()),
  points: json(),
  words: text(),
  givenAt: instant(),
}))

/** Who is asked to judge something of an attempt. */
export class ReplyAskedRow extends Model<InferAttributes<ReplyAskedRow>, InferCreationAttributes<ReplyAskedRow>> {
  declare attemptId: QuizAttemptId
  declare personId: PersonId
}
export const REPLY_ASKED = table('reply_asked', ReplyAskedRow, () => ({ attemptId: key(text()), personId: key(text()) }))

/** What was put right of a question that turned out wrong. `question`: as it was when that was done, with the key by which answers are marked anew. */
export class QuizAmendmentRow extends Model<InferAttributes<QuizAmendmentRow>, InferCreationAttributes<QuizAmendmentRow>> {
  declare id: QuizAmendmentId
  declare quizId: QuizId
  declare questionId: QuestionId
  declare how: HowAmended
  declare question: Question
  declare reason: string
  declare byId: PersonId
  declare at: number
  declare doneAt: CreationOptional<number | null>
}
export const QUIZ_AMENDMENT = table('quiz_amendment', QuizAmendmentRow, () => ({
  id: key(text()),
  quizId: text(),
  questionId: text(),
  how: text(),
  question: json(),
  reason: text(),
  byId: text(),
  at: instant(),
  doneAt: optional(instant()),
}))

/** What an amendment has done to the result of an attempt. */
export class QuizAttemptChangeRow extends Model<InferAttributes<QuizAttemptChangeRow>, InferCreationAttributes<QuizAttemptChangeRow>> {
  declare attemptId: QuizAttemptId
  declare amendmentId: QuizAmendmentId
  declare change: Exclude<ResultChange, 'same'>
  declare at: number
  declare beforePercent: number
  declare beforePassed: boolean
  declare afterPercent: number
  declare afterPassed: boolean
}
export const QUIZ_ATTEMPT_CHANGE = table('quiz_attempt_change', QuizAttemptChangeRow, () => ({
  attemptId: key(text()),
  amendmentId: key(text()),
  change: text(),
  at: instant(),
  beforePercent: whole(),
  beforePassed: truth(),
  afterPercent: whole(),
  afterPassed: truth(),
}))

/** What somebody has been granted beyond the rules of a quiz. */
export class QuizAllowanceRow extends Model<InferAttributes<QuizAllowanceRow>, InferCreationAttributes<QuizAllowanceRow>> {
  declare quizId: QuizId
  declare personId: PersonId
  declare extraPercent: number
  declare extraAttempts: number
  declare allowedBy: PersonId
  declare allowedAt: number
}
export const QUIZ_ALLOWANCE = table('quiz_allowance', QuizAllowanceRow, () => ({
  quizId: key(text()),
  personId: key(text()),
  extraPercent: whole(),
  extraAttempts: whole(),
  allowedBy: text(),
  allowedAt: instant(),
}))
