import type { GuideKind, GuideQuiz } from '@jackdaw/core/guides'
import type { FolderId, GuideId, GuideQuizId, PersonId, QuizId } from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { counted, instant, json, key, optional, table, text, truth, whole } from '../db'

/** A guide as those see it who write it: its title and kind are those of the draft. What others see of it is its item. */
export class GuideRow extends Model<InferAttributes<GuideRow>, InferCreationAttributes<GuideRow>> {
  declare id: GuideId
  declare number: CreationOptional<number>
  declare title: string
  declare kind: GuideKind
  declare ownerId: PersonId
  declare folderId: FolderId | null
  declare createdAt: number
  declare changedAt: number
  declare changedBy: PersonId
}
export const GUIDE = table('guide', GuideRow, () => ({
  id: key(text()),
  number: counted(whole()),
  title: text(),
  kind: text(),
  ownerId: text(),
  folderId: optional(text()),
  createdAt: instant(),
  changedAt: instant(),
  changedBy: text(),
}))

/** Somebody who may write a guide along. */
export class GuideShareRow extends Model<InferAttributes<GuideShareRow>, InferCreationAttributes<GuideShareRow>> {
  declare guideId: GuideId
  declare personId: PersonId
}
export const GUIDE_SHARE = table('guide_share', GuideShareRow, () => ({ guideId: key(text()), personId: key(text()) }))

/** The draft of a guide. */
export class DraftRow extends Model<InferAttributes<DraftRow>, InferCreationAttributes<DraftRow>> {
  declare guideId: GuideId
  declare revision: number
  declare document: unknown
  /** How much of it is flagged as not ready; the database counts it. */
  declare notReady: CreationOptional<number | null>
}
export const DRAFT = table('draft', DraftRow, () => ({
  guideId: key(text()),
  revision: whole(),
  document: json(),
  notReady: optional(whole()),
}))

/** What led from one revision of a draft to the next. */
export class DraftChangeRow extends Model<InferAttributes<DraftChangeRow>, InferCreationAttributes<DraftChangeRow>> {
  declare guideId: GuideId
  declare revision: number
  declare changeSetId: string
  declare changes: unknown
  declare conflicts: unknown
  declare personId: PersonId
  declare savedAt: number
}
export const DRAFT_CHANGE = table('draft_change', DraftChangeRow, () => ({
  guideId: key(text()),
  revision: key(whole()),
  changeSetId: text(),
  changes: json(),
  conflicts: json(),
  personId: text(),
  savedAt: instant(),
}))

/** Who has a draft open. */
export class DraftPresenceRow extends Model<InferAttributes<DraftPresenceRow>, InferCreationAttributes<DraftPresenceRow>> {
  declare guideId: GuideId
  declare personId: PersonId
  declare seenAt: number
}
export const DRAFT_PRESENCE = table('draft_presence', DraftPresenceRow, () => ({
  guideId: key(text()),
  personId: key(text()),
  seenAt: instant(),
}))

/** What only an edition of a guide has: whether its steps are to be confirmed, and whether they branch. */
export class GuideEditionRow extends Model<InferAttributes<GuideEditionRow>, InferCreationAttributes<GuideEditionRow>> {
  declare guideId: GuideId
  declare edition: number
  declare confirmSteps: boolean
  declare branches: boolean
}
export const GUIDE_EDITION = table('guide_edition', GuideEditionRow, () => ({
  guideId: key(text()),
  edition: key(whole()),
  confirmSteps: truth(),
  branches: truth(),
}))

/** A quiz among the steps of an edition. `position`: in the order of the guide, from 0. */
export class GuideQuizRow extends Model<InferAttributes<GuideQuizRow>, InferCreationAttributes<GuideQuizRow>> {
  declare guideId: GuideId
  declare edition: number
  declare guideQuizId: GuideQuizId
  declare position: number
  declare quizId: QuizId
  declare need: GuideQuiz['need']
}
export const GUIDE_QUIZ = table('guide_quiz', GuideQuizRow, () => ({
  guideId: key(text()),
  edition: key(whole()),
  guideQuizId: key(text()),
  position: whole(),
  quizId: text(),
  need: text(),
}))

/** A change that met those of others and waits for whoever made it. */
export class DraftClashRow extends Model<InferAttributes<DraftClashRow>, InferCreationAttributes<DraftClashRow>> {
  declare guideId: GuideId
  declare personId: PersonId
  declare target: string
  declare conflict: unknown
  declare at: number
}
export const DRAFT_CLASH = table('draft_clash', DraftClashRow, () => ({
  guideId: key(text()),
  personId: key(text()),
  target: key(text()),
  conflict: json(),
  at: instant(),
}))
