import type { Domain } from '../domain'
import type { SurveyAnswer } from '@jackdaw/core/surveys'
import { surveyRoutes } from './routes'
import { addSurvey, answer } from './store'

/** What people are asked, and what they answer. */
export const surveys = {
  routes: surveyRoutes,
  demo: (parts) => ({
    askAtStep: (survey: Parameters<typeof addSurvey>[2], asked: Parameters<typeof addSurvey>[1]) =>
      addSurvey(parts.database, asked, survey),
    answerAtStep: (answering: Parameters<typeof answer>[2], given: SurveyAnswer) => answer(parts.database, parts, answering, given),
  }),
} satisfies Domain
