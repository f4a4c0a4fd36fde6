import { answerSurvey, endSurvey, getSurvey, listAsked, listSurveys } from '@jackdaw/contracts/surveys'
import {
  answerAudienceSurvey,
  endAudienceSurvey,
  getAudienceSurvey,
  listAskedSurveys,
  listAudienceSurveys,
  sendAudienceSurvey,
} from '@jackdaw/contracts/audienceSurveys'
import { localDateAt } from '@jackdaw/core/shared'
import { fail, route, type Routes } from '../http'
import { answerAsked, askedSurveysOf, audienceSurveysOf, endSent, sendSurvey, surveyResults } from './audience'
import { answer, answersTo, askedOf, end, surveysOf } from './store'

export function surveyRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  route(routes, listAudienceSurveys, (_input, { caller, now }) => audienceSurveysOf(db, localDateAt(now, caller.zone)))
  route(routes, sendAudienceSurvey, async ({ params: { surveyId }, body }, { caller, now }) => ({
    asked: await sendSurvey(db, parts, surveyId, body, { by: caller, now }),
  }))
  route(routes, getAudienceSurvey, ({ params: { surveyId } }, { caller, now }) =>
    surveyResults(db, surveyId, localDateAt(now, caller.zone)),
  )
  route(routes, endAudienceSurvey, ({ params: { surveyId } }, { now }) => endSent(db, surveyId, now))
  route(routes, listAskedSurveys, (_input, { caller, now }) => askedSurveysOf(db, caller.id, localDateAt(now, caller.zone)))
  route(routes, answerAudienceSurvey, ({ params: { surveyId }, body: { answers } }, { caller, now }) =>
    answerAsked(db, parts, { id: surveyId, by: caller.id, today: localDateAt(now, caller.zone), now }, answers),
  )
  route(routes, listSurveys, ({ params: { id } }) => surveysOf(db, id))
  route(routes, getSurvey, async ({ params: { id, surveyId } }) => {
    const [survey = fail('not-found')] = await surveysOf(db, id, surveyId)
    return { survey, ...(await answersTo(db, survey)) }
  })
  route(routes, endSurvey, ({ params: { id, surveyId } }, { now }) => end(db, id, surveyId, now))
  route(routes, listAsked, ({ params: { id } }, { caller }) => askedOf(db, id, caller.id))
  route(routes, answerSurvey, ({ params: { id, surveyId }, body }, { caller, now }) =>
    answer(db, parts, { guide: id, id: surveyId, by: caller.id, now }, body),
  )
}
