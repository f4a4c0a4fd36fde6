import * as z from 'zod/mini'

const KINDS = new WeakMap<object, string>()
const ID = /^[A-Za-z0-9_-]{21}$/

/** Schema of a branded id: 21 characters of the URL-safe alphabet, made at random by whoever creates the thing.
 * @param brand the name of the thing, so that two kinds of id cannot be mixed up */
export const idOf = <B extends string>(brand: B) => {
  const schema = z
    .string()
    .check(z.regex(ID, `Not an id of a ${brand}`))
    .brand<B>()
  KINDS.set(schema, brand)
  return schema
}

/** What kind of thing a schema is the id of; `undefined` when it is none. */
export const kindOfId = (schema: object): string | undefined => KINDS.get(schema)

/** Id of a person. */
export const PersonId = idOf('person')
/** Read by {@link PersonId}. */
export type PersonId = z.infer<typeof PersonId>
/** Id of a group of people, of whatever kind: a site, a department, a team, a role, or one of a kind of the company's own. */
export const GroupId = idOf('group')
/** Read by {@link GroupId}. */
export type GroupId = z.infer<typeof GroupId>
/** Id of a kind of groups; those that every company has are called by their words. */
export const GroupKindId = z
  .string()
  .check(z.regex(/^(site|department|team|role|[A-Za-z0-9_-]{21})$/, 'Not an id of a kind of groups'))
  .brand<'group-kind'>()
/** Read by {@link GroupKindId}. */
export type GroupKindId = z.infer<typeof GroupKindId>
/** Id of an audience. */
export const AudienceId = idOf('audience')
/** Read by {@link AudienceId}. */
export type AudienceId = z.infer<typeof AudienceId>
/** Id of a giving: that an audience is given an item. */
export const GivingId = idOf('giving')
/** Read by {@link GivingId}. */
export type GivingId = z.infer<typeof GivingId>
/** Id of a folder. */
export const FolderId = idOf('folder')
/** Read by {@link FolderId}. */
export type FolderId = z.infer<typeof FolderId>
/** Id of a guide. */
export const GuideId = idOf('guide')
/** Read by {@link GuideId}. */
export type GuideId = z.infer<typeof GuideId>
/** Id of a task. */
export const TaskId = idOf('task')
/** Read by {@link TaskId}. */
export type TaskId = z.infer<typeof TaskId>
/** Id of a goal: of what people are to come to after having begun something. */
export const GoalId = idOf('goal')
/** Read by {@link GoalId}. */
export type GoalId = z.infer<typeof GoalId>
/** Id of a search that somebody made. */
export const SearchId = idOf('search')
/** Read by {@link SearchId}. */
export type SearchId = z.infer<typeof SearchId>
/** Id of a page of figures that somebody has arranged. */
export const FigurePageId = idOf('figure-page')
/** Read by {@link FigurePageId}. */
export type FigurePageId = z.infer<typeof FigurePageId>
/** Id of an application that is connected. */
export const ApplicationId = idOf('application')
/** Read by {@link ApplicationId}. */
export type ApplicationId = z.infer<typeof ApplicationId>
/** Id of a survey that was sent to an audience. */
export const AudienceSurveyId = idOf('audience-survey')
/** Read by {@link AudienceSurveyId}. */
export type AudienceSurveyId = z.infer<typeof AudienceSurveyId>
/** Id of a release: a day from which something is different. */
export const ReleaseId = idOf('release')
/** Read by {@link ReleaseId}. */
export type ReleaseId = z.infer<typeof ReleaseId>
/** Id of a survey: of a question that is asked at a step. */
export const SurveyId = idOf('survey')
/** Read by {@link SurveyId}. */
export type SurveyId = z.infer<typeof SurveyId>
/** Id of a quiz. */
export const QuizId = idOf('quiz')
/** Read by {@link QuizId}. */
export type QuizId = z.infer<typeof QuizId>
/** Id of a question bank. */
export const BankId = idOf('bank')
/** Read by {@link BankId}. */
export type BankId = z.infer<typeof BankId>
/** Id of an attempt at a quiz. */
export const QuizAttemptId = idOf('quiz-attempt')
/** Read by {@link QuizAttemptId}. */
export type QuizAttemptId = z.infer<typeof QuizAttemptId>
/** Id of what was put right about a question of a quiz. */
export const QuizAmendmentId = idOf('quiz-amendment')
/** Read by {@link QuizAmendmentId}. */
export type QuizAmendmentId = z.infer<typeof QuizAmendmentId>
/** Id of an attempt in Solo. */
export const AttemptId = idOf('attempt')
/** Read by {@link AttemptId}. */
export type AttemptId = z.infer<typeof AttemptId>
/** Id of what somebody has handed in of a task. */
export const HandInId = idOf('hand-in')
/** Read by {@link HandInId}. */
export type HandInId = z.infer<typeof HandInId>
/** Id of a file that somebody has had made of guides. */
export const ExportId = idOf('export')
/** Read by {@link ExportId}. */
export type ExportId = z.infer<typeof ExportId>
/** Id of a link by which guests come to a guide. */
export const ShareLinkId = idOf('share-link')
/** Read by {@link ShareLinkId}. */
export type ShareLinkId = z.infer<typeof ShareLinkId>
/** Id of one visit of a guest: whom what they did is counted for, since nobody knows who they are. */
export const GuestVisitId = idOf('guest-visit')
/** Read by {@link GuestVisitId}. */
export type GuestVisitId = z.infer<typeof GuestVisitId>
/** Id of a plan. */
export const PlanId = idOf('plan')
/** Read by {@link PlanId}. */
export type PlanId = z.infer<typeof PlanId>
/** Id of a stage of a plan. */
export const StageId = idOf('stage')
/** Read by {@link StageId}. */
export type StageId = z.infer<typeof StageId>
/** Id of a giving of a plan: that an audience is given it. */
export const PlanGivingId = idOf('plan-giving')
/** Read by {@link PlanGivingId}. */
export type PlanGivingId = z.infer<typeof PlanGivingId>
/** Id of somebody's going through a plan. */
export const EnrolmentId = idOf('enrolment')
/** Read by {@link EnrolmentId}. */
export type EnrolmentId = z.infer<typeof EnrolmentId>
/** Id of a check-in in a plan. */
export const PlannedCheckInId = idOf('planned-check-in')
/** Read by {@link PlannedCheckInId}. */
export type PlannedCheckInId = z.infer<typeof PlannedCheckInId>
/** Id of a check-in of somebody who goes through a plan. */
export const CheckInId = idOf('check-in')
/** Read by {@link CheckInId}. */
export type CheckInId = z.infer<typeof CheckInId>
/** Id of a question, in a quiz, a bank or a check-in. */
export const QuestionId = idOf('question')
/** Read by {@link QuestionId}. */
export type QuestionId = z.infer<typeof QuestionId>
/** Id of a step. */
export const StepId = idOf('step')
/** Read by {@link StepId}. */
export type StepId = z.infer<typeof StepId>
/** Id of a section. */
export const SectionId = idOf('section')
/** Read by {@link SectionId}. */
export type SectionId = z.infer<typeof SectionId>
/** Id of the place of a quiz among the steps of a guide. */
export const GuideQuizId = idOf('guide-quiz')
/** Read by {@link GuideQuizId}. */
export type GuideQuizId = z.infer<typeof GuideQuizId>
/** Id of a picture. */
export const PictureId = idOf('picture')
/** Read by {@link PictureId}. */
export type PictureId = z.infer<typeof PictureId>
/** Id of a stored clip: sound or video. */
export const ClipId = idOf('clip')
/** Read by {@link ClipId}. */
export type ClipId = z.infer<typeof ClipId>
/** Id of the captions of a clip in one language. They never change: what is written anew has a new id. */
export const CaptionsId = idOf('captions')
/** Read by {@link CaptionsId}. */
export type CaptionsId = z.infer<typeof CaptionsId>
/** Id of an entry in an inbox. */
export const EntryId = idOf('entry')
/** Read by {@link EntryId}. */
export type EntryId = z.infer<typeof EntryId>

/** Makes a new id of 21 characters, of whatever thing; the core never makes one by chance itself. */
export type NewId = <I extends string>() => I
