import type { Answer, PlanDocument, Question, Side } from '@jackdaw/core/plans'
import type {
  AudienceId,
  CheckInId,
  EnrolmentId,
  LocalDate,
  PersonId,
  PlanGivingId,
  PlanId,
  PlannedCheckInId,
  StageId,
} from '@jackdaw/core/shared'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { day, instant, json, key, optional, table, text, whole } from '../db'

/** A plan as it is written. `edition`: the newest one, `null` before the first. */
export class PlanRow extends Model<InferAttributes<PlanRow>, InferCreationAttributes<PlanRow>> {
  declare id: PlanId
  declare ownerId: PersonId
  declare revision: number
  declare document: PlanDocument
  declare edition: CreationOptional<number | null>
  declare archivedAt: CreationOptional<number | null>
  declare createdAt: number
  declare changedAt: number
  declare changedBy: PersonId
}
export const PLAN = table('plan', PlanRow, () => ({
  id: key(text()),
  ownerId: text(),
  revision: whole(),
  document: json(),
  edition: optional(whole()),
  archivedAt: optional(instant()),
  createdAt: instant(),
  changedAt: instant(),
  changedBy: text(),
}))

/** A state of a plan that people go through. */
export class PlanEditionRow extends Model<InferAttributes<PlanEditionRow>, InferCreationAttributes<PlanEditionRow>> {
  declare planId: PlanId
  declare number: number
  declare revision: number
  declare document: PlanDocument
  declare publishedAt: number
  declare publishedBy: PersonId
}
export const PLAN_EDITION = table('plan_edition', PlanEditionRow, () => ({
  planId: key(text()),
  number: key(whole()),
  revision: whole(),
  document: json(),
  publishedAt: instant(),
  publishedBy: text(),
}))

/** That somebody goes through a plan. `overAt`: since when all is done; `endedAt`: since when it is no more theirs. */
export class EnrolmentRow extends Model<InferAttributes<EnrolmentRow>, InferCreationAttributes<EnrolmentRow>> {
  declare id: EnrolmentId
  declare planId: PlanId
  declare edition: number
  declare personId: PersonId
  declare startOn: LocalDate
  declare mentorId: PersonId | null
  declare givenBy: PersonId
  declare givenAt: number
  declare overAt: CreationOptional<number | null>
  declare endedAt: CreationOptional<number | null>
  /** By which giving they have it; `null`: by hand, or the giving has ended. */
  declare givingId: CreationOptional<PlanGivingId | null>
}
export const ENROLMENT = table('enrolment', EnrolmentRow, () => ({
  id: key(text()),
  planId: text(),
  edition: whole(),
  personId: text(),
  startOn: day(),
  mentorId: optional(text()),
  givenBy: text(),
  givenAt: instant(),
  overAt: optional(instant()),
  endedAt: optional(instant()),
  givingId: optional(text()),
}))

/** That an audience is given a plan: whoever comes to belong to it goes through it from then on, or from their first day at work. */
export class PlanGivingRow extends Model<InferAttributes<PlanGivingRow>, InferCreationAttributes<PlanGivingRow>> {
  declare id: PlanGivingId
  declare planId: PlanId
  declare audienceId: AudienceId
  declare mentorId: PersonId | null
  declare givenBy: PersonId
  declare givenAt: number
}
export const PLAN_GIVING = table('plan_giving', PlanGivingRow, () => ({
  id: key(text()),
  planId: text(),
  audienceId: text(),
  mentorId: optional(text()),
  givenBy: text(),
  givenAt: instant(),
}))

/** A stage that somebody has come to. */
export class EnrolmentStageRow extends Model<InferAttributes<EnrolmentStageRow>, InferCreationAttributes<EnrolmentStageRow>> {
  declare enrolmentId: EnrolmentId
  declare stageId: StageId
  declare releasedOn: LocalDate
  declare releasedAt: number
}
export const ENROLMENT_STAGE = table('enrolment_stage', EnrolmentStageRow, () => ({
  enrolmentId: key(text()),
  stageId: key(text()),
  releasedOn: day(),
  releasedAt: instant(),
}))

/** That a plan was held for somebody. `untilOn`: the last day of that; `null` while it is. */
export class EnrolmentHoldRow extends Model<InferAttributes<EnrolmentHoldRow>, InferCreationAttributes<EnrolmentHoldRow>> {
  declare enrolmentId: EnrolmentId
  declare fromOn: LocalDate
  declare untilOn: CreationOptional<LocalDate | null>
  declare why: string
  declare heldBy: PersonId
}
export const ENROLMENT_HOLD = table('enrolment_hold', EnrolmentHoldRow, () => ({
  enrolmentId: key(text()),
  fromOn: key(day()),
  untilOn: optional(day()),
  why: text(),
  heldBy: text(),
}))

/** A check-in of somebody in a stage that they have come to. `askedAt`: since when both are asked; `managerId`: who answers beside them, from then on;
 * `remindedAt`: when they were asked once more; `closedAt`: since when it is not asked any more. */
export class CheckInRow extends Model<InferAttributes<CheckInRow>, InferCreationAttributes<CheckInRow>> {
  declare id: CheckInId
  declare enrolmentId: EnrolmentId
  declare plannedId: PlannedCheckInId
  declare personId: PersonId
  declare name: string
  declare questions: readonly Question[]
  declare askOn: LocalDate
  declare askedAt: CreationOptional<number | null>
  declare managerId: CreationOptional<PersonId | null>
  declare remindedAt: CreationOptional<number | null>
  declare closedAt: CreationOptional<number | null>
}
export const CHECK_IN = table('check_in', CheckInRow, () => ({
  id: key(text()),
  enrolmentId: text(),
  plannedId: text(),
  personId: text(),
  name: text(),
  questions: json(),
  askOn: day(),
  askedAt: optional(instant()),
  managerId: optional(text()),
  remindedAt: optional(instant()),
  closedAt: optional(instant()),
}))

/** What one of the two has answered. */
export class CheckInAnswersRow extends Model<InferAttributes<CheckInAnswersRow>, InferCreationAttributes<CheckInAnswersRow>> {
  declare checkInId: CheckInId
  declare side: Side
  declare personId: PersonId
  declare answers: readonly Answer[]
  declare at: number
}
export const CHECK_IN_ANSWERS = table('check_in_answers', CheckInAnswersRow, () => ({
  checkInId: key(text()),
  side: key(text()),
  personId: text(),
  answers: json(),
  at: instant(),
}))
