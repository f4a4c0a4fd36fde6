import { EVERYBODY } from '@jackdaw/core/audiences'
import { localDateAt, type SearchId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { keepSearch } from '../../engagement'
import { aGoal, anAudienceSurvey, aPage, aSurvey } from '../engagementRows'
import { anApplication } from './anApplication'
import type { Special } from './special'
import type { HostileWorld, Things } from './world'

const aQuestion = ({ server, company }: HostileWorld, things: Things) =>
  aSurvey({ server, company, guideId: things.guide, stepId: things.steps[0]! })
/** A question that is there. */
const asked: Special = async (world, things, input) => {
  input.params['surveyId'] = await aQuestion(world, things)
}

/** A goal that is there. */
const withGoal: Special = async ({ server, company }, things, input) => {
  input.params['goalId'] = await aGoal({ server, company, guideId: things.guide })
}
/** A survey that is there. */
const withAudienceSurvey: Special = async (world, _things, input) => {
  input.params['surveyId'] = await anAudienceSurvey(world)
}
/** A page of figures of whoever asks for it, if they can have one. */
const withPage: Special = async (world, _things, input, caller) => {
  input.params['pageId'] = await aPage(world, caller === 'admin' ? 'admin' : 'lead')
}
/** Days that are drawn end before they begin, mostly. */
const withDays: Special = (_world, _things, { query }) => {
  if ('from' in query) query['from'] = '2025-11-03'
  if ('to' in query) query['to'] = '2026-02-01'
}
/** A day with a name. */
async function aRelease({ server, company }: HostileWorld): Promise<string> {
  const id = nanoid()
  await server.parts.database.rows(
    `insert into release (id, name, day, made_by, made_at) select $1, 'New scales', coalesce(max(day), date '2019-01-01') + 1, $2, $3 from release`,
    [id, company.people.lead, new Date(server.clock.now)],
  )
  return id
}

/** Something that was sought. */
async function keepASearch({ server, company }: HostileWorld): Promise<void> {
  const { now } = server.clock
  const by = { by: company.people.staff, today: localDateAt(now, 'Europe/London'), now }
  await keepSearch(server.parts.database, nanoid<SearchId>(), { words: 'Rinsing', found: 0, opened: null }, by)
}

/** What no schema can say of questions at steps, and of days with names. */
export const ENGAGEMENT_INPUTS: Record<string, Special> = {
  'post /api/guides/:id/surveys': (_world, things, input) => {
    Object.assign(input.body as object, { stepId: things.steps[0], tell: null })
  },
  'put /api/searches/:searchId': (_world, things, input) => {
    input.body = { words: 'Rinse the trays', found: 1, opened: { kind: 'guide', id: things.guide } }
  },
  'get /api/engagement/searches/rows': async (world, _things, input) => {
    await keepASearch(world)
    input.query = { words: 'rinsing', part: 'times' }
  },
  'get /api/figure-pages/:pageId': withPage,
  'delete /api/figure-pages/:pageId': withPage,
  'put /api/figure-pages/:pageId/mail': withPage,
  'put /api/figure-pages/:pageId': (_world, _things, input) => {
    const part = { id: 'part-1', shows: 'used', name: 'Used', wide: false, goal: null, looking: {} }
    input.body = { name: 'Mine', shared: false, parts: [part], revision: 0 }
  },
  'get /api/people/:id/use': withDays,
  'get /api/engagement/over-time': withDays,
  'get /api/engagement/items': withDays,
  'get /api/engagement/steps': withDays,
  'get /api/engagement/readers': withDays,
  'get /api/engagement/owners': withDays,
  'get /api/engagement/rows': withDays,
  'get /api/engagement/searches': withDays,
  'get /api/guides/:id/journey': withDays,
  'delete /api/applications/:applicationId': async (world, _things, input) => {
    input.params['applicationId'] = (await anApplication(world)).id
  },
  'post /api/connected/acts': (_world, _things, input) => {
    input.body = { acts: [{ id: nanoid(), person: 'staff@example.org', name: 'order-saved', at: 1_700_000_000_000 }] }
  },
  'get /api/surveys/:surveyId': withAudienceSurvey,
  'post /api/surveys/:surveyId/end': withAudienceSurvey,
  'post /api/asked-surveys/:surveyId/answers': async (world, things, input, caller, random) => {
    await withAudienceSurvey(world, things, input, caller, random)
    input.body = { answers: [{ id: 'clear-1', answer: { value: 4, comment: '' } }] }
  },
  'put /api/surveys/:surveyId': (_world, _things, input) => {
    const questions = [{ id: 'clear-1', question: { kind: 'stars', words: 'How clear?' }, needed: true }]
    input.body = { document: { title: 'Asked', about: '', questions }, audience: EVERYBODY, anonymous: true, until: null }
  },
  // Only months that are over can be asked for.
  'get /api/engagement/own': (_world, _things, input) => {
    delete input.query['month']
  },
  'get /api/items/:id/own-use': (_world, _things, input) => {
    delete input.query['month']
  },
  'put /api/goals/:goalId': (_world, things, input) => {
    input.body = { name: 'Ready', from: things.guide, steps: [{ item: things.guide, withinDays: 7 }] }
  },
  'delete /api/goals/:goalId': withGoal,
  'get /api/goals/:goalId/result': async (world, things, input, caller, random) => {
    await withGoal(world, things, input, caller, random)
    await withDays(world, things, input, caller, random)
  },
  'get /api/goals/:goalId/people': async (world, things, input, caller, random) => {
    await withGoal(world, things, input, caller, random)
    await withDays(world, things, input, caller, random)
    delete input.query['step']
  },
  'delete /api/releases/:releaseId': async (world, _things, input) => {
    input.params['releaseId'] = await aRelease(world)
  },
  'get /api/guides/:id/surveys/:surveyId': asked,
  'post /api/guides/:id/surveys/:surveyId/end': asked,
  'post /api/guides/:id/surveys/:surveyId/answers': async (world, things, input, caller, random) => {
    await asked(world, things, input, caller, random)
    input.body = { value: 3, comment: 'Clear enough' }
  },
}
