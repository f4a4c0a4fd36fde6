import { AudienceSurveyId, LocalDate } from '@jackdaw/core/shared'
import { SurveyAnswer, SurveyAnswers, SurveyDocument } from '@jackdaw/core/surveys'
import * as z from 'zod/mini'
import { AudienceChoice, AudienceShown } from './audiences'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

const survey = z.object({ surveyId: AudienceSurveyId })
const whole = z.int().check(z.minimum(0))
/** What is sent: the questions, to whom, whether names are stored with answers, and the last day on which it can be answered; `null` where it has none. */
export const NewAudienceSurvey = z.object({
  document: SurveyDocument,
  audience: AudienceChoice,
  anonymous: z.boolean(),
  until: z.nullable(LocalDate),
})
/** Read by {@link NewAudienceSurvey}. */
export type NewAudienceSurvey = z.infer<typeof NewAudienceSurvey>
/** A survey that was sent: how many people were asked, and how many have answered. `endedAt`: when somebody ended it; `over`: nobody can answer any more. */
export const AudienceSurvey = z.object({
  id: AudienceSurveyId,
  document: SurveyDocument,
  anonymous: z.boolean(),
  until: z.nullable(LocalDate),
  sentBy: PersonRef,
  sentAt: z.int(),
  endedAt: z.nullable(z.int()),
  over: z.boolean(),
  asked: whole,
  answered: whole,
})
/** Read by {@link AudienceSurvey}. */
export type AudienceSurvey = z.infer<typeof AudienceSurvey>
/** The surveys, the newest first. */
export const listAudienceSurveys = endpoint({
  method: 'get',
  path: '/api/surveys',
  access: { may: 'survey.send' },
  response: z.array(AudienceSurvey),
  problems: [],
})
/** Sends a survey to everybody of an audience as it is now; joiners are not asked. The same id again sends nothing more. */
export const sendAudienceSurvey = endpoint({
  method: 'put',
  path: '/api/surveys/:surveyId',
  access: { may: 'survey.send' },
  params: survey,
  body: NewAudienceSurvey,
  response: z.object({ asked: whole }),
  problems: ['invalid', 'not-found', 'nobody-asked'],
})
/** What was answered: by question its answers, and of a survey with names who gave them; `held`: how many answers without names are not shown yet, or too few to be.
 * `waiting`: who has not answered; `null` where answers are without names, as the one who has not is then not to be told from the others. */
export const AudienceSurveyResults = z.object({
  survey: AudienceSurvey,
  audience: AudienceShown,
  waiting: z.nullable(z.array(PersonRef)),
  answers: z.array(z.object({ id: z.string(), answer: SurveyAnswer, by: z.nullable(PersonRef), at: z.nullable(z.int()) })),
  held: z.int(),
})
/** Read by {@link AudienceSurveyResults}. */
export type AudienceSurveyResults = z.infer<typeof AudienceSurveyResults>
/** A survey with its answers. */
export const getAudienceSurvey = endpoint({
  method: 'get',
  path: '/api/surveys/:surveyId',
  access: { may: 'survey.send' },
  params: survey,
  response: AudienceSurveyResults,
  problems: ['not-found'],
})
/** Ends it: nobody is asked any more. Once it has ended that changes nothing. */
export const endAudienceSurvey = endpoint({
  method: 'post',
  path: '/api/surveys/:surveyId/end',
  access: { may: 'survey.send' },
  params: survey,
  problems: ['not-found'],
})

/** A survey as whoever is asked finds it. */
export const AskedSurvey = z.object({
  id: AudienceSurveyId,
  document: SurveyDocument,
  anonymous: z.boolean(),
  until: z.nullable(LocalDate),
  by: z.string(),
})
/** Read by {@link AskedSurvey}. */
export type AskedSurvey = z.infer<typeof AskedSurvey>
/** What the caller is asked and has not answered, what ends first on top. */
export const listAskedSurveys = endpoint({
  method: 'get',
  path: '/api/asked-surveys',
  access: { may: 'today.read' },
  response: z.array(AskedSurvey),
  problems: [],
})
/** Answers a survey, once. */
export const answerAudienceSurvey = endpoint({
  method: 'post',
  path: '/api/asked-surveys/:surveyId/answers',
  access: { may: 'today.read' },
  params: survey,
  body: z.object({ answers: SurveyAnswers }),
  problems: ['invalid', 'not-found', 'survey-over', 'survey-answered'],
})
