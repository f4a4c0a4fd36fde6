import { aSurvey } from '../engagementRows'
import type { Special } from './special'
import type { HostileWorld, Things } from './world'

const aQuestion = ({ server, company }: HostileWorld, things: Things) =>
  aSurvey({ server, company, guideId: things.guide, stepId: things.steps[0]! })
/** A question that is there. */
const asked: Special = async (world, things, input) => {
  input.params['surveyId'] = await aQuestion(world, things)
}

/** What no schema can say of questions at steps. */
export const ENGAGEMENT_INPUTS: Record<string, Special> = {
  'post /api/guides/:id/surveys': (_world, things, input) => {
    Object.assign(input.body as object, { stepId: things.steps[0], tell: null })
  },
  'get /api/guides/:id/surveys/:surveyId': asked,
  'post /api/guides/:id/surveys/:surveyId/end': asked,
  'post /api/guides/:id/surveys/:surveyId/answers': async (world, things, input, caller, random) => {
    await asked(world, things, input, caller, random)
    input.body = { value: 3, comment: 'Clear enough' }
  },
}
