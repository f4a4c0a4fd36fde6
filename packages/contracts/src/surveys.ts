import { GroupId, GuideId, LocalDate, StepId, SurveyId } from '@jackdaw/core/shared'
import { LEAST_SHOWN, SurveyAnswer, SurveyQuestion } from '@jackdaw/core/surveys'
import { Way } from '@jackdaw/core/ways'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

const guide = z.object({ id: GuideId })
const survey = z.object({ id: GuideId, surveyId: SurveyId })
const told = z.optional(z.string().check(z.maxLength(60)))
const OfVisits = {
  ...{ way: z.optional(Way), edition: z.optional(z.int().check(z.minimum(1), z.maximum(1_000_000))) },
  ...{ device: told, browser: told, language: told },
  ...{ department: z.optional(GroupId), site: z.optional(GroupId), team: z.optional(GroupId) },
}
/** When somebody is asked at a step: as they come to it, or as they follow a link away from the guide there without having finished. */
export const AskedWhen = z.enum(['come', 'leave'])
/** Read by {@link AskedWhen}. */
export type AskedWhen = z.infer<typeof AskedWhen>

/** A question at a step. It ends by itself after `most` answers. `anonymous`: who answers is not stored with the answer. `tell`: those who left at
 * the step in visits that began on these days, in this way and by this, get it in their inboxes too. */
export const NewStepSurvey = z
  .object({
    id: SurveyId,
    stepId: StepId,
    when: AskedWhen,
    question: SurveyQuestion,
    anonymous: z.boolean(),
    most: z.int().check(z.minimum(1), z.maximum(1_000)),
    tell: z.nullable(z.object({ from: LocalDate, to: LocalDate, ...OfVisits })),
  })
  .check(
    z.refine(({ anonymous, most }) => !anonymous || most >= LEAST_SHOWN, {
      path: ['most'],
      message: `Without names, ask for at least ${LEAST_SHOWN} answers: fewer are not shown`,
    }),
  )
/** Read by {@link NewStepSurvey}. */
export type NewStepSurvey = z.infer<typeof NewStepSurvey>
/** Asks a question at a step of a guide. Sending the same id again asks nothing more. `told`: how many were told in their inboxes. */
export const askAtStep = endpoint({
  method: 'post',
  path: '/api/guides/:id/surveys',
  access: { may: 'survey.make', over: 'guide' },
  params: guide,
  body: NewStepSurvey,
  response: z.object({ told: z.int() }),
  problems: ['invalid', 'not-found'],
})

/** A question at a step as whoever asks sees it. `step`: what the step is called, in the newest edition that has it. `endedAt`: since when nobody is
 * asked any more. */
export const StepSurvey = z.object({
  id: SurveyId,
  stepId: StepId,
  step: z.string(),
  when: AskedWhen,
  question: SurveyQuestion,
  anonymous: z.boolean(),
  most: z.int(),
  answers: z.int(),
  askedBy: PersonRef,
  askedAt: z.int(),
  endedAt: z.nullable(z.int()),
})
/** Read by {@link StepSurvey}. */
export type StepSurvey = z.infer<typeof StepSurvey>
/** The questions at steps of a guide, the newest first. */
export const listSurveys = endpoint({
  method: 'get',
  path: '/api/guides/:id/surveys',
  access: { may: 'survey.make', over: 'guide' },
  params: guide,
  response: z.array(StepSurvey),
  problems: [],
})

/** An answer with whoever gave it, and when; of an anonymous one neither is known, and the order says nothing. */
export const GivenAnswer = z.object({ answer: SurveyAnswer, by: z.nullable(PersonRef), at: z.nullable(z.int()) })
/** Read by {@link GivenAnswer}. */
export type GivenAnswer = z.infer<typeof GivenAnswer>
/** What was answered to a question, the latest first where that is known. `held`: how many answers are not shown yet, or too few to be. */
export const getSurvey = endpoint({
  method: 'get',
  path: '/api/guides/:id/surveys/:surveyId',
  access: { may: 'survey.make', over: 'guide' },
  params: survey,
  response: z.object({ survey: StepSurvey, given: z.array(GivenAnswer), held: z.int() }),
  problems: ['not-found'],
})
/** Asks nobody any more. What was answered stays. */
export const endSurvey = endpoint({
  method: 'post',
  path: '/api/guides/:id/surveys/:surveyId/end',
  access: { may: 'survey.make', over: 'guide' },
  params: survey,
  problems: ['not-found'],
})

/** A question that the asker has not answered yet. */
export const AskedQuestion = z.object({ id: SurveyId, stepId: StepId, when: AskedWhen, question: SurveyQuestion, anonymous: z.boolean() })
/** Read by {@link AskedQuestion}. */
export type AskedQuestion = z.infer<typeof AskedQuestion>
/** What a reader is asked at the steps of a guide. */
export const listAsked = endpoint({
  method: 'get',
  path: '/api/guides/:id/asked',
  access: { may: 'item.read', over: 'guide' },
  params: guide,
  response: z.array(AskedQuestion),
  problems: [],
})
/** Answers a question, once. */
export const answerSurvey = endpoint({
  method: 'post',
  path: '/api/guides/:id/surveys/:surveyId/answers',
  access: { may: 'item.read', over: 'guide' },
  params: survey,
  body: SurveyAnswer,
  problems: ['invalid', 'not-found', 'survey-over', 'survey-answered'],
})
