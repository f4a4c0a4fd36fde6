import type { AskedWhen } from '@jackdaw/contracts/surveys'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { PersonId, SurveyId } from '@jackdaw/core/shared'
import type { SurveyQuestion } from '@jackdaw/core/surveys'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { instant, json, key, optional, table, text, truth, usually, whole } from '../db'

/** A question at a part of an item. */
export class SurveyRow extends Model<InferAttributes<SurveyRow>, InferCreationAttributes<SurveyRow>> {
  declare id: SurveyId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare partId: string
  declare askedWhen: AskedWhen
  declare question: SurveyQuestion
  declare anonymous: boolean
  /** After so many answers it ends; and how many there are. */
  declare most: number
  declare answers: CreationOptional<number>
  declare askedBy: PersonId
  declare askedAt: number
  declare endedAt: CreationOptional<number | null>
}
export const SURVEY = table('survey', SurveyRow, () => ({
  id: key(text()),
  itemKind: text(),
  itemId: text(),
  partId: text(),
  askedWhen: text(),
  question: json(),
  anonymous: truth(),
  most: whole(),
  answers: usually(whole(), 0),
  askedBy: text(),
  askedAt: instant(),
  endedAt: optional(instant()),
}))

/** What somebody answered; of an anonymous answer neither who nor when is kept. */
export class SurveyAnswerRow extends Model<InferAttributes<SurveyAnswerRow>, InferCreationAttributes<SurveyAnswerRow>> {
  declare id: string
  declare surveyId: SurveyId
  declare personId: PersonId | null
  declare value: number | null
  declare comment: string
  declare answeredAt: number | null
}
export const SURVEY_ANSWER = table('survey_answer', SurveyAnswerRow, () => ({
  id: key(text()),
  surveyId: text(),
  personId: optional(text()),
  value: optional(whole()),
  comment: text(),
  answeredAt: optional(instant()),
}))

/** Who has answered. */
export class SurveyDoneRow extends Model<InferAttributes<SurveyDoneRow>, InferCreationAttributes<SurveyDoneRow>> {
  declare surveyId: SurveyId
  declare personId: PersonId
}
export const SURVEY_DONE = table('survey_done', SurveyDoneRow, () => ({ surveyId: key(text()), personId: key(text()) }))
