import { matchPath } from 'react-router'
import { page, type Page } from './page'

const SIGN_IN = page('/sign-in', async () => (await import('../people/account/SignInPage')).SignInPage)
/** Pages for whoever is not signed in: where one signs in, and where links in mails lead. */
export const OUTSIDE: readonly Page[] = [
  SIGN_IN,
  page('/stop-mails', async () => (await import('../inbox/StopMailsPage')).StopMailsPage),
  page('/forgotten', async () => (await import('../people/account/ForgottenPage')).ForgottenPage),
  page('/welcome', async () => (await import('../people/account/LinkPages')).WelcomePage),
  page('/set-up', async () => (await import('../beginning/SetUpPage')).SetUpPage),
  page('/open/:folderId', async () => (await import('../guests/OpenFolderPage')).OpenFolderPage),
  page('/l/:token', async () => (await import('../guests/GuestPage')).GuestPage),
  page('/new-password', async () => (await import('../people/account/LinkPages')).NewPasswordPage),
]
/** Where whoever came in with a password that was given to them chooses their own. */
export const CHOOSE_OWN = page('/choose-password', async () => (await import('../people/account/ChooseOwnPage')).ChooseOwnPage)
/** Pages with the frame around them. */
export const IN_SHELL: readonly Page[] = [
  page('/', async () => (await import('./TodayPage')).TodayPage),
  page('/library', async () => (await import('../library/LibraryPage')).LibraryPage),
  page('/library/quizzes', async () => (await import('../library/QuizLibraryPage')).QuizLibraryPage),
  page('/guides/:id', async () => (await import('./GuidePage')).GuidePage),
  page('/guides/:id/edit', async () => (await import('../editing/EditorPage')).EditorPage),
  page('/guides/:id/links', async () => (await import('../sharing/LinksPage')).LinksPage),
  page('/guides/:id/publish', async () => (await import('../assignments/PublishPage')).PublishPage),
  page('/items/:id/given', async () => (await import('../assignments/GivenPage')).GivenPage),
  page('/items/:id/given/new', async () => (await import('../assignments/GivePage')).NewGivingPage),
  page('/items/:id/given/:givingId', async () => (await import('../assignments/GivePage')).GivingPage),
  page('/records/given', async () => (await import('../assignments/GivenPage')).MyGivingsPage),
  page('/plans', async () => (await import('../plans/PlansPage')).PlansPage),
  page('/plans/:id', async () => (await import('../plans/PlanPage')).PlanPage),
  page('/plans/:id/give', async () => (await import('../plans/GivePlanPage')).GivePlanPage),
  page('/plans/:id/people', async () => (await import('../plans/PeopleInPlanPage')).PeopleInPlanPage),
  page('/check-ins', async () => (await import('../plans/checkIns/CheckInsPage')).CheckInsPage),
  page('/check-ins/:id', async () => (await import('../plans/checkIns/CheckInPage')).CheckInPage),
  page('/tasks', async () => (await import('../tasks/TasksPage')).TasksPage),
  page('/tasks/new', async () => (await import('../tasks/EditTaskPage')).NewTaskPage),
  page('/tasks/:id', async () => (await import('../tasks/TaskPage')).TaskPage),
  page('/tasks/:id/edit', async () => (await import('../tasks/EditTaskPage')).EditTaskPage),
  page('/quizzes', async () => (await import('../quizzes/QuizzesPage')).QuizzesPage),
  page('/quizzes/new', async () => (await import('../editing/quizzes/NewQuizPage')).NewQuizPage),
  page('/quizzes/:id', async () => (await import('../quizzes/QuizPage')).QuizPage),
  page('/quizzes/:id/try', async () => (await import('../editing/quizzes/TryQuizPage')).TryQuizPage),
  page('/quizzes/:id/edit', async () => (await import('../editing/quizzes/EditQuizPage')).EditQuizPage),
  page('/quizzes/:id/analysis', async () => (await import('../quizzes/analysis/AnalysisPage')).AnalysisPage),
  page('/banks', async () => (await import('../quizzes/QuizzesPage')).BanksPage),
  page('/banks/new', async () => (await import('../editing/quizzes/NewQuizPage')).NewBankPage),
  page('/banks/:id', async () => (await import('../editing/quizzes/EditBankPage')).EditBankPage),
  page('/to-judge', async () => (await import('../quizzes/judging/ToJudgePage')).ToJudgePage),
  page('/quiz-attempts/:id/judge', async () => (await import('../quizzes/judging/JudgePage')).JudgePage),
  page('/to-confirm', async () => (await import('../tasks/ToConfirmPage')).ToConfirmPage),
  page('/recorder', async () => (await import('../recording/RecorderPage')).RecorderPage),
  page('/reminders', async () => (await import('../assignments/RemindersPage')).RemindersPage),
  page('/look', async () => (await import('../guides/look/LookPage')).LookPage),
  page('/inbox', async () => (await import('../inbox/InboxPage')).InboxPage),
  page('/inbox/mails', async () => (await import('./MailsHomePage')).MailsHomePage),
  page('/applications', async () => (await import('../applications/ApplicationsPage')).ApplicationsPage),
  page('/asked/:id', async () => (await import('../surveys/AskedPage')).AskedPage),
  page('/surveys', async () => (await import('../engagement/surveys/AudienceSurveysPage')).AudienceSurveysPage),
  page('/surveys/new', async () => (await import('../engagement/surveys/SendSurveyPage')).SendSurveyPage),
  page('/surveys/:id', async () => (await import('../engagement/surveys/AudienceSurveyPage')).AudienceSurveyPage),
  page('/guests', async () => (await import('../sharing/SharingRulesPage')).SharingRulesPage),
  page('/exports', async () => (await import('../exchange/ExportsPage')).ExportsPage),
  page('/first-steps', async () => (await import('../beginning/FirstStepsPage')).FirstStepsPage),
  page('/people', async () => (await import('../people/directory/DirectoryPage')).DirectoryPage),
  page('/people/new', async () => (await import('../people/directory/EditPersonPage')).NewPersonPage),
  page('/people/from-a-file', async () => (await import('../people/importing/ImportPeoplePage')).ImportPeoplePage),
  page('/people/chart', async () => (await import('../people/chart/OrgChartPage')).OrgChartPage),
  page('/people/roles', async () => (await import('./RolesHomePage')).RolesHomePage),
  page('/people/groups', async () => (await import('../people/groups/GroupsPage')).GroupsPage),
  page('/people/groups/:groupId', async () => (await import('../people/groups/GroupPage')).GroupPage),
  page('/people/:id', async () => (await import('./PersonHomePage')).PersonHomePage),
  page('/people/:id/give', async () => (await import('./GiveToPersonPage')).GiveToPersonPage),
  page('/people/:id/look', async () => (await import('./LookAsPage')).LookAsPage),
  page('/people/:id/edit', async () => (await import('../people/directory/EditPersonPage')).EditPersonPage),
  page('/people/audiences', async () => (await import('../audiences/AudiencesPage')).AudiencesPage),
  page('/people/audiences/new', async () => (await import('../audiences/AudiencePage')).NewAudiencePage),
  page('/people/audiences/:audienceId', async () => (await import('../audiences/AudiencePage')).AudiencePage),
  page('/account', async () => (await import('../people/account/AccountPage')).AccountPage),
  page('/people/rights', async () => (await import('../people/account/RightsPage')).RightsPage),
  page('/keys', async () => (await import('./KeysPage')).KeysPage),
  page('/background', async () => (await import('../jobs/JobsPage')).JobsPage),
  page('/engagement', async () => (await import('../engagement/EngagementPage')).EngagementPage),
  page('/engagement/goals', async () => (await import('../engagement/GoalsPage')).GoalsPage),
  page('/engagement/goals/:id', async () => (await import('../engagement/GoalPage')).GoalPage),
  page('/engagement/releases', async () => (await import('../engagement/ReleasesPage')).ReleasesPage),
  page('/engagement/own', async () => (await import('../engagement/OwnUsePage')).OwnUsePage),
  page('/engagement/own/:id', async () => (await import('../engagement/OwnItemUsePage')).OwnItemUsePage),
  page('/engagement/rules', async () => (await import('../engagement/FigureRulesPage')).FigureRulesPage),
  page('/engagement/pages', async () => (await import('../engagement/pages/FigurePagesPage')).FigurePagesPage),
  page('/engagement/pages/:id', async () => (await import('../engagement/pages/FigurePagePage')).FigurePagePage),
  page('/engagement/searches', async () => (await import('../engagement/SearchesPage')).SearchesPage),
  page('/engagement/rows', async () => (await import('../engagement/CountedRowsPage')).CountedRowsPage),
  page('/engagement/guides/:id', async () => (await import('../engagement/JourneyPage')).JourneyPage),
  page('/engagement/guides/:id/visits', async () => (await import('../engagement/VisitsPage')).VisitsPage),
  page('/engagement/guides/:id/surveys', async () => (await import('../engagement/SurveysPage')).SurveysPage),
  page('/records', async () => (await import('../records/RecordsPage')).RecordsPage),
  page('/records/guides/:id', async () => (await import('../records/WhoFinishedPage')).WhoFinishedPage),
  page('/records/tasks/:id', async () => (await import('../records/WhoFinishedPage')).WhoFinishedPage),
  page('/records/quizzes/:id', async () => (await import('../records/WhoFinishedPage')).WhoFinishedPage),
  page('/records/attempts/:id', async () => (await import('../quizzes/AttemptRecordPage')).AttemptRecordPage),
  page('/records/guides/:id/cautions', async () => (await import('../records/CautionsPage')).CautionsPage),
  page('/records/people/:id/guides/:guideId', async () => (await import('../records/PersonGuidePage')).PersonGuidePage),
  page('/records/people/:id/tasks/:taskId', async () => (await import('../records/PersonTaskPage')).PersonTaskPage),
  page('/records/people/:id/quizzes/:quizId', async () => (await import('../records/PersonQuizPage')).PersonQuizPage),
  page('/records/people/:id/use', async () => (await import('../engagement/PersonUsePage')).PersonUsePage),
  page('/records/people/:id', async () => (await import('../records/PersonPage')).PersonPage),
]
/** Players have the whole window. */
export const ALONE: readonly Page[] = [
  page('/guides/:id/watch', async () => (await import('../players/watch/WatchPage')).WatchPage),
  page('/guides/:id/practise', async () => (await import('../players/practise/PractisePage')).PractisePage),
  page('/guides/:id/solo', async () => (await import('../players/solo/SoloPage')).SoloPage),
  page('/quiz-attempts/:id/go-over', async () => (await import('../quizzes/taking/GoOverPage')).GoOverPage),
  page('/quiz-attempts/:id', async () => (await import('../quizzes/taking/TakingPage')).TakingPage),
  page('/guides/:id/preview/:way', async () => (await import('../players/preview/PreviewPage')).PreviewPage),
]
/** Pages for those who build the application; they are not part of it. */
export const FOR_DEVELOPERS: readonly Page[] = import.meta.env.DEV
  ? [page('/parts', async () => (await import('./parts/PartsPage')).PartsPage)]
  : []
export const NOT_FOUND = page('*', async () => (await import('./NotFoundPage')).NotFoundPage)

/** Begins to fetch the script of the page at an address, while it is asked who is signed in. A failure shows where the page is shown. */
export async function fetchPageAt(pathname: string): Promise<void> {
  const found = [...OUTSIDE, ...IN_SHELL, ...ALONE].find(({ path }) => matchPath({ path, caseSensitive: true }, pathname))
  await found?.load().catch(() => undefined)
}
