import type {
  AttemptId,
  AudienceId,
  AudienceSurveyId,
  BankId,
  CaptionsId,
  CheckInId,
  ClipId,
  FigurePageId,
  FolderId,
  GuestVisitId,
  GroupId,
  GoalId,
  GuideId,
  HandInId,
  LocalDate,
  NewId,
  PersonId,
  PictureId,
  PlanId,
  QuestionId,
  QuizAttemptId,
  QuizId,
  SearchId,
  ShareLinkId,
  SurveyId,
  TaskId,
} from '@jackdaw/core/shared'
import type { CheckInRow } from '@jackdaw/contracts/checkIns'
import type { Release } from '@jackdaw/contracts/engagement'
import type { FigurePage } from '@jackdaw/contracts/figurePages'
import type { NewGoal } from '@jackdaw/contracts/goals'
import type { SearchTold } from '@jackdaw/contracts/searches'
import type { NewStepSurvey } from '@jackdaw/contracts/surveys'
import type { NewAudienceSurvey } from '@jackdaw/contracts/audienceSurveys'
import type { SurveyAnswer, SurveyAnswers } from '@jackdaw/core/surveys'
import type { Answer as CheckInAnswer, PlanDocument, Question as CheckInQuestion } from '@jackdaw/core/plans'
import type { Answer, BankDocument, QuizDocument } from '@jackdaw/core/quizzes'
import type { HandInAnswer, TaskDocument } from '@jackdaw/core/tasks'
import type { SiteCalendar } from '@jackdaw/contracts/calendar'
import type { DutyId } from '@jackdaw/contracts/groups'
import type { SoloAct, SoloAttempt } from '@jackdaw/contracts/players'
import type { DueRule, GivenFor, Handling } from '@jackdaw/core/assignments'
import type { ItemRef } from '@jackdaw/core/items'
import type { AudienceRule } from '@jackdaw/core/audiences'
import type { UsageEvent } from '@jackdaw/core/players'
import type { Change, GuideDocument, Look } from '@jackdaw/core/guides'
import type { TextBox } from '@jackdaw/core/recording'
import type { LinkAsks } from '@jackdaw/core/sharing'
import type { Language, Level, PersonState } from '@jackdaw/core/people'

export type NewPerson = Partial<PersonState> & Pick<PersonState, 'id' | 'name' | 'siteId' | 'groups'> & { mail: string; level: Level }
type NewGroup = { id: GroupId; kind: string; name: string; zone?: string; about?: string }
/** @param seen with what somebody reads */
export type Batch = {
  personId: PersonId
  at: number
  events: UsageEvent[]
  seen?: { device: string | null; browser: string | null; language: string | null }
}

/** What the demo needs of the server: its own services, handed in by whoever puts the server together. Times are epoch milliseconds. */
export type DemoServices = {
  newId: NewId
  newEventId: () => string
  addGroups(groups: readonly NewGroup[], now: number): Promise<void>
  addPeople(people: readonly NewPerson[], password: string, now: number): Promise<void>
  /** Changes somebody as it happened then. */
  changePerson(id: PersonId, change: Partial<PersonState>, now: number): Promise<void>
  setFace(id: PersonId, bytes: Uint8Array): Promise<void>
  /** Says on which days people of a site work. */
  setCalendar(site: GroupId, calendar: SiteCalendar, now: number): Promise<void>
  setLeader(group: GroupId, leaderId: PersonId): Promise<unknown>
  setDuties(group: GroupId, duties: { id: DutyId; title: string; about: string; guides: GuideId[] }[], by: PersonId): Promise<void>
  /** Makes a kind of groups of the company's own, with groups and who is in each. */
  addKind(name: string, groups: { name: string; people: PersonId[] }[], now: number): Promise<void>
  saveAudience(id: AudienceId, saving: { name: string; about: string; rule: AudienceRule }, by: PersonId, now: number): Promise<void>
  addFolder(folder: { id: FolderId; name: string; parentId: FolderId | null; now: number }): Promise<unknown>
  addGuide(guide: { id: GuideId; document: GuideDocument; ownerId: PersonId; folderId: FolderId | null; now: number }): Promise<unknown>
  addPicture(picture: { id: PictureId; guideId: GuideId; bytes: Uint8Array; by: PersonId; now: number }): Promise<void>
  addClip(clip: {
    id: ClipId
    owner: { kind: 'quiz' | 'quiz-attempt'; id: string }
    kind: 'sound' | 'video'
    durationMs: number
    bytes: Uint8Array
    by: PersonId
    now: number
  }): Promise<void>
  /** Captions of a clip, as WebVTT. */
  addCaptions(captions: { id: CaptionsId; clipId: ClipId; language: string; text: string; now: number }): Promise<void>
  /** The words that stand in a picture, as a recorder tells them; in its pixels. */
  addPictureText(id: PictureId, boxes: readonly TextBox[]): Promise<void>
  setLook(look: Partial<Look>): Promise<void>
  /** @param baseRevision the state on which the changes were made; the newest without it */
  saveChanges(guideId: GuideId, by: PersonId, changes: Change[], now: number, baseRevision?: number): Promise<unknown>
  /** The company lets guests read by links. */
  allowGuests(): Promise<unknown>
  addShareLink(link: { id: ShareLinkId; guideId: GuideId; asksFor: LinkAsks | null; by: PersonId; now: number }): Promise<unknown>
  /** A visit of a guest, with what happened in it. */
  addGuestVisit(visit: {
    linkId: ShareLinkId
    visit: GuestVisitId
    number: string
    now: number
    events: readonly UsageEvent[]
  }): Promise<unknown>
  /** Writes the published guides of a folder as a booklet, which its person finds among their files. */
  addBooklet(booklet: { folderId: FolderId; title: string; by: PersonId }): Promise<unknown>
  share(guideId: GuideId, people: readonly PersonId[], by: { id: PersonId; name: string }, now: number): Promise<unknown>
  /** Everybody has looked through their inbox until then. */
  inboxesRead(until: number): Promise<unknown>
  publish(
    guideId: GuideId,
    request: {
      revision: number
      changeNote: string
      mustReread: boolean
      audience: AudienceRule
      openToAll: boolean
      due: DueRule
      tell?: boolean
    },
    by: PersonId,
    now: number,
  ): Promise<unknown>
  /** Marks items as somebody's favourites, the first on top. */
  favour(personId: PersonId, items: readonly ItemRef[], at: number): Promise<unknown>
  /** Gives a published item to an audience. */
  give(
    item: ItemRef,
    saving: { audience: AudienceRule; use: GivenFor; due: DueRule; repeatMonths: number | null },
    by: PersonId,
    now: number,
  ): Promise<{ id: string }>
  /** Makes a task, with its pictures; publishes what it says at a revision, the first being 1. */
  addTask(task: { id: TaskId; document: TaskDocument; ownerId: PersonId; now: number }): Promise<unknown>
  addTaskPicture(picture: { id: PictureId; taskId: TaskId; bytes: Uint8Array; by: PersonId; now: number }): Promise<void>
  saveTask(id: TaskId, revision: number, document: TaskDocument, by: PersonId, now: number): Promise<unknown>
  publishTask(id: TaskId, revision: number, by: PersonId, now: number): Promise<unknown>
  /** Somebody hands a task in; somebody answers what they have handed in last. */
  addQuiz(quiz: { id: QuizId; document: QuizDocument; ownerId: PersonId; now: number }): Promise<unknown>
  saveQuiz(id: QuizId, revision: number, document: QuizDocument, by: PersonId, now: number): Promise<unknown>
  publishQuiz(id: QuizId, revision: number, by: PersonId, now: number): Promise<unknown>
  addBank(bank: { id: BankId; document: BankDocument; ownerId: PersonId; now: number }): Promise<unknown>
  beginQuiz(id: QuizId, person: PersonId, language: Language, now: number): Promise<QuizAttemptId>
  questionsOfAttempt(id: QuizAttemptId): Promise<QuestionId[]>
  answerQuestion(id: QuizAttemptId, questionId: QuestionId, answer: Answer, activeMs: number, now: number): Promise<unknown>
  addQuizPicture(picture: { id: PictureId; quizId: QuizId; bytes: Uint8Array; by: PersonId; now: number }): Promise<void>
  handInQuiz(id: QuizAttemptId, now: number): Promise<unknown>
  gradeReply(
    id: QuizAttemptId,
    questionId: QuestionId,
    grade: { points: Record<string, number>; words: string },
    by: PersonId,
    now: number,
  ): Promise<unknown>
  /** @returns `null` as long as somebody has to judge some of it */
  hasPassed(id: QuizAttemptId): Promise<boolean | null>
  handIn(task: TaskId, edition: number, evidence: { words: string; photo: PictureId | null }, by: PersonId, now: number): Promise<HandInId>
  answerHandIn(task: TaskId, person: PersonId, answer: HandInAnswer, reason: string, by: PersonId, now: number): Promise<void>
  /** Makes a plan and publishes it; gives it to people; brings all plans to a moment. */
  addPlan(plan: { id: PlanId; document: PlanDocument; ownerId: PersonId; now: number }): Promise<void>
  enrol(
    planId: PlanId,
    enrolling: { people: readonly PersonId[]; startOn: LocalDate; mentorId: PersonId | null },
    by: PersonId,
    now: number,
  ): Promise<unknown>
  givePlan(
    planId: PlanId,
    giving: { audience: AudienceRule; mentorId: PersonId | null },
    by: PersonId,
    now: number,
  ): Promise<{ id: string }>
  advancePlans(now: number): Promise<void>
  /** The check-ins that somebody was asked, on whichever side. */
  checkInsOf(personId: PersonId): Promise<CheckInRow[]>
  checkInFor(id: CheckInId, personId: PersonId): Promise<{ questions: readonly CheckInQuestion[] }>
  answerCheckIn(id: CheckInId, answers: readonly CheckInAnswer[], by: PersonId, now: number): Promise<unknown>
  /** Handles the assignments of some people at once. */
  handle(guideId: GuideId, people: readonly PersonId[], handling: Handling, by: PersonId, now: number): Promise<unknown>
  takeEvents(batches: readonly Batch[]): Promise<void>
  nameRelease(release: Release, by: PersonId, now: number): Promise<void>
  addGoal(id: GoalId, goal: NewGoal, by: PersonId, now: number): Promise<void>
  keepSearch(id: SearchId, search: SearchTold, told: { by: PersonId; today: LocalDate; now: number }): Promise<void>
  saveFigurePage(
    id: FigurePageId,
    owner: PersonId,
    page: Pick<FigurePage, 'name' | 'shared' | 'parts' | 'revision'>,
    now: number,
  ): Promise<unknown>
  /** Puts a question at a step; somebody answers it. */
  askAtStep(survey: NewStepSurvey, asked: { guide: GuideId; by: PersonId; now: number }): Promise<unknown>
  /** Sends questions to people; ends that; somebody answers. */
  sendSurvey(
    id: AudienceSurveyId,
    survey: Omit<NewAudienceSurvey, 'audience'> & { audience: AudienceRule },
    by: { id: PersonId; name: string; zone: string },
    now: number,
  ): Promise<number>
  endSurvey(id: AudienceSurveyId, now: number): Promise<void>
  answerSurvey(answering: { id: AudienceSurveyId; by: PersonId; today: LocalDate; now: number }, answers: SurveyAnswers): Promise<void>
  answerAtStep(answering: { guide: GuideId; id: SurveyId; by: PersonId; now: number }, answer: SurveyAnswer): Promise<void>
  openAttempt(guideId: GuideId, personId: PersonId, now: number): Promise<SoloAttempt>
  actInAttempt(
    guideId: GuideId,
    attemptId: AttemptId,
    personId: PersonId,
    act: { n: number; actId: string; does: SoloAct },
    now: number,
  ): Promise<SoloAttempt>
  giveUpAttempt(guideId: GuideId, attemptId: AttemptId, personId: PersonId, now: number): Promise<SoloAttempt>
}
