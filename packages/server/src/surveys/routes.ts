import { answerSurvey, endSurvey, getSurvey, listAsked, listSurveys } from '@jackdaw/contracts/surveys'
import { fail, route, type Routes } from '../http'
import { answer, answersTo, askedOf, end, surveysOf } from './store'

export function surveyRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  route(routes, listSurveys, ({ params: { id } }) => surveysOf(db, id))
  route(routes, getSurvey, async ({ params: { id, surveyId } }) => {
    const [survey = fail('not-found')] = await surveysOf(db, id, surveyId)
    return { survey, given: await answersTo(db, surveyId) }
  })
  route(routes, endSurvey, ({ params: { id, surveyId } }, { now }) => end(db, id, surveyId, now))
  route(routes, listAsked, ({ params: { id } }, { caller }) => askedOf(db, id, caller.id))
  route(routes, answerSurvey, ({ params: { id, surveyId }, body }, { caller, now }) =>
    answer(db, parts, { guide: id, id: surveyId, by: caller.id, now }, body),
  )
}
