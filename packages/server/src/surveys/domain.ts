import type { Domain } from '../domain'
import { listAskedSurveys, type NewAudienceSurvey } from '@jackdaw/contracts/audienceSurveys'
import type { AudienceSurveyId } from '@jackdaw/core/shared'
import type { SurveyAnswer, SurveyAnswers } from '@jackdaw/core/surveys'
import { firstRead } from '../http'
import { answerAsked, endSent, sendSurvey } from './audience'
import { surveyRoutes } from './routes'
import { addSurvey, answer } from './store'

/** What people are asked, and what they answer. */
export const surveys = {
  routes: surveyRoutes,
  firstReads: { '/': [firstRead(listAskedSurveys)] },
  demo: (parts) => ({
    askAtStep: (survey: Parameters<typeof addSurvey>[2], asked: Parameters<typeof addSurvey>[1]) =>
      addSurvey(parts.database, asked, survey),
    sendSurvey: (id: AudienceSurveyId, survey: NewAudienceSurvey, by: Parameters<typeof sendSurvey>[4]['by'], now: number) =>
      sendSurvey(parts.database, parts, id, survey, { by, now }),
    endSurvey: (id: AudienceSurveyId, now: number) => endSent(parts.database, id, now),
    answerSurvey: (answering: Parameters<typeof answerAsked>[2], answers: SurveyAnswers) =>
      answerAsked(parts.database, parts, answering, answers),
    answerAtStep: (answering: Parameters<typeof answer>[2], given: SurveyAnswer) => answer(parts.database, parts, answering, given),
  }),
} satisfies Domain
