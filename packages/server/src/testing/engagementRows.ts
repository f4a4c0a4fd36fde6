import type { NewAudienceSurvey } from '@jackdaw/contracts/audienceSurveys'
import { EVERYBODY } from '@jackdaw/core/audiences'
import type { NewGoal } from '@jackdaw/contracts/goals'
import type { GoalId, StepId, SurveyId, FigurePageId, AudienceSurveyId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { saveGoal, savePage } from '../engagement'
import { findCaller } from '../people'
import { addSurvey, sendSurvey } from '../surveys'
import type { RouteRow } from './exchangeRows'
import type { Company, TestServer, Who } from './testServer'

type Made = { server: TestServer; company: Company; guideId: string; stepId: string }

/** A question at the step of a guide, of the lead's. */
export async function aSurvey({ server, company, guideId, stepId }: Made): Promise<SurveyId> {
  const id = nanoid<SurveyId>()
  const { database: db } = server.parts
  const survey = {
    id,
    stepId: stepId as StepId,
    when: 'come',
    question: { kind: 'stars', words: 'How clear?' },
    anonymous: false,
    most: 50,
  } as const
  await db.transaction((tx) => addSurvey(tx, { guide: guideId as never, by: company.people.lead, now: server.clock.now }, survey))
  return id
}

const aGoalOf = (guideId: string) => ({ name: 'To the end', from: guideId, steps: [{ item: guideId, withinDays: 7 }] })
/** A goal of the lead's: to begin a guide, and to finish it within a week. */
export async function aGoal({ server, company, guideId }: Omit<Made, 'stepId'>): Promise<GoalId> {
  const id = nanoid<GoalId>()
  await saveGoal(server.parts.database, id, aGoalOf(guideId) as NewGoal, company.people.lead, server.clock.now)
  return id
}

const SURVEY = {
  document: {
    title: 'Your first week',
    about: '',
    questions: [{ id: 'clear-1', question: { kind: 'stars', words: 'How clear?' }, needed: true }],
  },
  ...{ audience: EVERYBODY, anonymous: false, until: null },
} satisfies NewAudienceSurvey
/** A survey that the lead has sent to everybody. */
export async function anAudienceSurvey({ server, company }: Omit<Made, 'stepId' | 'guideId'>): Promise<AudienceSurveyId> {
  const id = nanoid<AudienceSurveyId>()
  const by = await findCaller(server.parts.database, company.people.lead)
  await sendSurvey(server.parts.database, server.parts, id, SURVEY, { by: by!, now: server.clock.now })
  return id
}

const PAGE = {
  ...{ name: 'On Mondays', shared: true, revision: 0 },
  parts: [{ id: 'part-1', shows: 'time', name: 'Views', wide: true, goal: null, looking: { days: '28', shown: 'views' } } as const],
}
/** A page of figures of the lead's that is shared. */
export async function aPage({ server, company }: Omit<Made, 'stepId' | 'guideId'>, owner: Who = 'lead'): Promise<FigurePageId> {
  const id = nanoid<FigurePageId>()
  await savePage(server.parts.database, id, company.people[owner], { ...PAGE, parts: [...PAGE.parts] }, server.clock.now)
  return id
}

let days = 0
/** A day that has no name yet. */
const aDay = (): string => new Date(Date.UTC(2020, 0, ++days)).toISOString().slice(0, 10)

/** Rows for engagement, which is for whoever sees records, and for questions at steps: asked and read by those who may publish the guide, answered by
 * those who may read it. */
// prettier-ignore
export function engagementRows(made: () => Made): RouteRow[] {
  const at = (rest = '') => `/api/guides/${made().guideId}/surveys${rest}`
  const one = async (rest = '') => at(`/${await aSurvey(made())}${rest}`)
  return [
    ['get /api/engagement/over-time', (c) => c.send('get', '/api/engagement/over-time'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/engagement/items', (c) => c.send('get', '/api/engagement/items'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/engagement/steps', (c) => c.send('get', '/api/engagement/steps'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/engagement/readers', (c) => c.send('get', '/api/engagement/readers'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/engagement/owners', (c) => c.send('get', '/api/engagement/owners'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/guides/:id/journey', (c) => c.send('get', `/api/guides/${made().guideId}/journey`), [401, 404, 403, 200, 404, 403, 200, 200]],
    ['get /api/guides/:id/journey/visits', (c) => c.send('get', `/api/guides/${made().guideId}/journey/visits?part=visits`), [401, 404, 403, 200, 404, 403, 200, 200]],
    ['get /api/people/:id/use', (c) => c.send('get', `/api/people/${made().company.people.staff}/use`), [401, 403, 200, 200, 403, 403, 200, 200]],
    ['get /api/engagement/own', (c) => c.send('get', '/api/engagement/own'), [401, 403, 403, 403, 200, 200, 200, 200]],
    ['get /api/items/:id/own-use', (c) => c.send('get', `/api/items/${made().guideId}/own-use`), [401, 404, 403, 403, 404, 200, 403, 403]],
    ['get /api/figure-rules', (c) => c.send('get', '/api/figure-rules'), [401, 403, 403, 403, 403, 403, 403, 200]],
    ['put /api/figure-rules', (c) => c.send('put', '/api/figure-rules', { leastGroup: 5, keepMonths: null }), [401, 403, 403, 403, 403, 403, 403, 204]],
    ['put /api/searches/:searchId', (c) => c.send('put', `/api/searches/${nanoid()}`, { words: 'Label printer', found: 0, opened: null }), [401, 204, 204, 204, 204, 204, 204, 204]],
    ['get /api/engagement/searches', (c) => c.send('get', '/api/engagement/searches'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/engagement/searches/rows', (c) => c.send('get', '/api/engagement/searches/rows?words=never&part=times'), [401, 403, 403, 404, 403, 403, 404, 404]],
    ['get /api/figure-pages', (c) => c.send('get', '/api/figure-pages'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/figure-pages/:pageId', async (c) => c.send('get', `/api/figure-pages/${await aPage(made())}`), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['put /api/figure-pages/:pageId', (c) => c.send('put', `/api/figure-pages/${nanoid()}`, PAGE), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['delete /api/figure-pages/:pageId', async (c) => c.send('delete', `/api/figure-pages/${await aPage(made())}`), [401, 403, 403, 404, 403, 403, 204, 404]],
    ['put /api/figure-pages/:pageId/mail', async (c) => c.send('put', `/api/figure-pages/${await aPage(made())}/mail`, { every: 'week' }), [401, 403, 403, 204, 403, 403, 204, 204]],
    ['get /api/act-names', (c) => c.send('get', '/api/act-names'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/applications', (c) => c.send('get', '/api/applications'), [401, 403, 403, 403, 403, 403, 403, 200]],
    ['post /api/applications', (c) => c.send('post', '/api/applications', { name: 'Order Book', scopes: ['acts.tell'] }), [401, 403, 403, 403, 403, 403, 403, 200]],
    ['delete /api/applications/:applicationId', (c) => c.send('delete', `/api/applications/${nanoid()}`), [401, 403, 403, 403, 403, 403, 403, 404]],
    // A session is nothing to what applications call.
    ['post /api/connected/acts', (c) => c.send('post', '/api/connected/acts', { acts: [] }), [401, 401, 401, 401, 401, 401, 401, 401]],
    ['get /api/surveys', (c) => c.send('get', '/api/surveys'), [401, 403, 403, 403, 403, 403, 200, 200]],
    ['put /api/surveys/:surveyId', (c) => c.send('put', `/api/surveys/${nanoid()}`, SURVEY), [401, 403, 403, 403, 403, 403, 200, 200]],
    ['get /api/surveys/:surveyId', async (c) => c.send('get', `/api/surveys/${await anAudienceSurvey(made())}`), [401, 403, 403, 403, 403, 403, 200, 200]],
    ['post /api/surveys/:surveyId/end', async (c) => c.send('post', `/api/surveys/${await anAudienceSurvey(made())}/end`), [401, 403, 403, 403, 403, 403, 204, 204]],
    ['get /api/asked-surveys', (c) => c.send('get', '/api/asked-surveys'), [401, 200, 200, 200, 200, 200, 200, 200]],
    ['post /api/asked-surveys/:surveyId/answers', async (c) => c.send('post', `/api/asked-surveys/${await anAudienceSurvey(made())}/answers`, { answers: [{ id: 'clear-1', answer: { value: 4, comment: '' } }] }), [401, 204, 204, 204, 204, 204, 404, 204]],
    ['get /api/releases', (c) => c.send('get', '/api/releases'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['put /api/releases/:releaseId', (c) => c.send('put', `/api/releases/${nanoid()}`, { name: 'New scales', day: aDay() }), [401, 403, 403, 403, 403, 403, 204, 204]],
    ['delete /api/releases/:releaseId', (c) => c.send('delete', `/api/releases/${nanoid()}`), [401, 403, 403, 403, 403, 403, 404, 404]],
    ['get /api/goals', (c) => c.send('get', '/api/goals'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['put /api/goals/:goalId', (c) => c.send('put', `/api/goals/${nanoid()}`, aGoalOf(made().guideId)), [401, 403, 403, 403, 403, 403, 204, 204]],
    ['delete /api/goals/:goalId', async (c) => c.send('delete', `/api/goals/${await aGoal(made())}`), [401, 403, 403, 403, 403, 403, 204, 204]],
    ['get /api/goals/:goalId/result', async (c) => c.send('get', `/api/goals/${await aGoal(made())}/result`), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/goals/:goalId/people', async (c) => c.send('get', `/api/goals/${await aGoal(made())}/people?part=began`), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['get /api/engagement/rows', (c) => c.send('get', '/api/engagement/rows?figure=views'), [401, 403, 403, 200, 403, 403, 200, 200]],
    ['post /api/guides/:id/surveys', (c) => c.send('post', at(), { id: nanoid(), stepId: made().stepId, when: 'come', question: { kind: 'stars', words: 'How clear?' }, anonymous: true, most: 5, tell: null }), [401, 404, 403, 403, 404, 403, 200, 200]],
    ['get /api/guides/:id/surveys', (c) => c.send('get', at()), [401, 404, 403, 403, 404, 403, 200, 200]],
    ['get /api/guides/:id/surveys/:surveyId', async (c) => c.send('get', await one()), [401, 404, 403, 403, 404, 403, 200, 200]],
    ['post /api/guides/:id/surveys/:surveyId/end', async (c) => c.send('post', await one('/end')), [401, 404, 403, 403, 404, 403, 204, 204]],
    ['get /api/guides/:id/asked', (c) => c.send('get', `/api/guides/${made().guideId}/asked`), [401, 404, 200, 403, 404, 200, 200, 200]],
    ['post /api/guides/:id/surveys/:surveyId/answers', async (c) => c.send('post', await one('/answers'), { value: 5, comment: '' }), [401, 404, 204, 403, 404, 204, 204, 204]],
  ]
}
