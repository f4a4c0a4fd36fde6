import type { AskedWhen } from '@jackdaw/contracts/surveys'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { AudienceId, AudienceSurveyId, LocalDate, PersonId, SurveyId } from '@jackdaw/core/shared'
import type { SurveyAnswers, SurveyDocument, SurveyQuestion } from '@jackdaw/core/surveys'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { day, instant, json, key, optional, table, text, truth, usually, whole } from '../db'

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
  /** Whether it is not shown yet. */
  declare held: boolean
}
export const SURVEY_ANSWER = table('survey_answer', SurveyAnswerRow, () => ({
  id: key(text()),
  surveyId: text(),
  personId: optional(text()),
  value: optional(whole()),
  comment: text(),
  answeredAt: optional(instant()),
  held: truth(),
}))

/** Who has answered. */
export class SurveyDoneRow extends Model<InferAttributes<SurveyDoneRow>, InferCreationAttributes<SurveyDoneRow>> {
  declare surveyId: SurveyId
  declare personId: PersonId
}
export const SURVEY_DONE = table('survey_done', SurveyDoneRow, () => ({ surveyId: key(text()), personId: key(text()) }))

/** Questions that were put to an audience. */
export class AudienceSurveyRow extends Model<InferAttributes<AudienceSurveyRow>, InferCreationAttributes<AudienceSurveyRow>> {
  declare id: AudienceSurveyId
  declare document: SurveyDocument
  declare audienceId: AudienceId
  declare anonymous: boolean
  declare until: LocalDate | null
  declare sentBy: PersonId
  declare sentAt: number
  declare endedAt: CreationOptional<number | null>
}
export const AUDIENCE_SURVEY = table('audience_survey', AudienceSurveyRow, () => ({
  id: key(text()),
  document: json(),
  audienceId: text(),
  anonymous: truth(),
  until: optional(day()),
  sentBy: text(),
  sentAt: instant(),
  endedAt: optional(instant()),
}))

/** Who is asked, and whether they have answered. */
export class AudienceSurveyAskedRow extends Model<
  InferAttributes<AudienceSurveyAskedRow>,
  InferCreationAttributes<AudienceSurveyAskedRow>
> {
  declare surveyId: AudienceSurveyId
  declare personId: PersonId
  declare done: boolean
}
export const AUDIENCE_SURVEY_ASKED = table('audience_survey_asked', AudienceSurveyAskedRow, () => ({
  surveyId: key(text()),
  personId: key(text()),
  done: truth(),
}))

/** What somebody answered; without names neither who nor when is kept. */
export class AudienceSurveyAnswerRow extends Model<
  InferAttributes<AudienceSurveyAnswerRow>,
  InferCreationAttributes<AudienceSurveyAnswerRow>
> {
  declare id: string
  declare surveyId: AudienceSurveyId
  declare personId: PersonId | null
  declare answers: SurveyAnswers
  declare answeredAt: number | null
  /** Whether it is not shown yet. */
  declare held: boolean
}
export const AUDIENCE_SURVEY_ANSWER = table('audience_survey_answer', AudienceSurveyAnswerRow, () => ({
  id: key(text()),
  surveyId: text(),
  personId: optional(text()),
  answers: json(),
  answeredAt: optional(instant()),
  held: truth(),
}))
