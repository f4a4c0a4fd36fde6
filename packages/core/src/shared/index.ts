export {
  idOf,
  kindOfId,
  PersonId,
  GroupId,
  GroupKindId,
  AudienceId,
  GivingId,
  FolderId,
  GuideId,
  TaskId,
  QuizId,
  BankId,
  AttemptId,
  QuizAttemptId,
  QuizAmendmentId,
  HandInId,
  PlanId,
  PlanGivingId,
  StageId,
  EnrolmentId,
  PlannedCheckInId,
  CheckInId,
  QuestionId,
  StepId,
  GuideQuizId,
  SectionId,
  PictureId,
  ClipId,
  CaptionsId,
  EntryId,
  ExportId,
  GuestVisitId,
  ShareLinkId,
  GoalId,
  ReleaseId,
  SearchId,
  AudienceSurveyId,
  ApplicationId,
  FigurePageId,
  SurveyId,
} from './ids'
export type { NewId } from './ids'
export { LocalDate } from './localDate'
export { localDateAt, localTimeAt, addDays, addMonths, startOfLocalDay, endOfLocalDay, daysBetween } from './days'
export { seededRandom, seededIds } from './random'
export { cellRead, csvHead, csvLines } from './csv'
export type { CsvRow } from './csv'
export { canonicalJson, canonicalJsonInTurns } from './canonicalJson'
export { folded } from './folded'
export { storable } from './storable'
export { cutTo } from './cutTo'
export { sameValue } from './sameValue'
export { reasonOf } from './reasonOf'
export { byId } from './byId'
export { groupedBy } from './groupedBy'
export { known, nth } from './nth'
export { entriesOf, keysOf } from './keysOf'
export { Instant, MOST_WHOLE, Whole } from './whole'
