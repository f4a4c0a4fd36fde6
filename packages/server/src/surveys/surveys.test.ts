import type { NewStepSurvey, StepSurvey } from '@jackdaw/contracts/surveys'
import type { StepId, SurveyId } from '@jackdaw/core/shared'
import { addDays, localDateAt } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer, type Who } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
let guide: { id: string; steps: string[] }
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  guide = await aGuide(server, company, 'author', { openToAll: true })
})
afterAll(() => server.close())

const today = localDateAt(START, 'Europe/London')
const surveyOf = (over: Partial<NewStepSurvey> = {}): NewStepSurvey => ({
  id: nanoid<SurveyId>(),
  stepId: guide.steps[1] as StepId,
  when: 'come',
  question: { kind: 'choice', words: 'What stops you here?', options: ['The printer', 'The words'] },
  anonymous: false,
  most: 10,
  tell: null,
  ...over,
})
const ask = async (survey: NewStepSurvey, who = lead): Promise<number> =>
  (await who.json('post', `/api/guides/${guide.id}/surveys`, survey)).told
const asked = async (who: Who): Promise<{ id: string }[]> => (await company.as(who)).json('get', `/api/guides/${guide.id}/asked`)
const answer = async (who: Who, id: string, given: object) =>
  (await company.as(who)).send('post', `/api/guides/${guide.id}/surveys/${id}/answers`, given)
const read = (id: string): Promise<{ survey: StepSurvey; given: { answer: object; by: { name: string } | null; at: number | null }[] }> =>
  lead.json('get', `/api/guides/${guide.id}/surveys/${id}`)
const isAsked = async (who: Who, id: string) => (await asked(who)).some((each) => each.id === id)

describe('a question at a step', () => {
  it('is put to those who read the guide until they have answered, once, and shows who said what', async () => {
    const survey = surveyOf()
    expect(await ask(survey)).toBe(0)
    await ask(survey)
    expect(await isAsked('staff', survey.id)).toBe(true)
    expect(await isAsked('lead', survey.id)).toBe(false)
    expect((await answer('staff', survey.id, { value: 1, comment: 'Which herb?' })).status).toBe(204)
    expect((await answer('staff', survey.id, { value: 0, comment: '' })).status).toBe(409)
    expect(await isAsked('staff', survey.id)).toBe(false)
    const found = await read(survey.id)
    expect(found.survey).toMatchObject({ answers: 1, step: 'Rinse', endedAt: null, askedBy: { name: 'Name of lead' } })
    expect(found.given).toEqual([
      { answer: { value: 1, comment: 'Which herb?' }, by: { id: company.people.staff, name: 'Name of staff' }, at: START },
    ])
    expect(await lead.json('get', `/api/guides/${guide.id}/surveys`)).toHaveLength(1)
  })
  it('takes what answers it, and nothing else', async () => {
    const survey = surveyOf()
    await ask(survey)
    for (const wrong of [{ value: 2, comment: '' }, { value: null, comment: ' ' }, { value: 0 }, { value: 'x', comment: '' }])
      expect((await answer('staff', survey.id, wrong)).status).toBe(422)
    expect((await answer('staff', nanoid(), { value: 0, comment: '' })).status).toBe(404)
    for (const wrong of [{ most: 0 }, { anonymous: true, most: 4 }, { question: { kind: 'stars', words: '' } }, { stepId: 'x' }])
      expect((await lead.send('post', `/api/guides/${guide.id}/surveys`, { ...survey, id: nanoid(), ...wrong })).status).toBe(422)
    expect((await lead.send('post', `/api/guides/${guide.id}/surveys`, surveyOf({ stepId: nanoid<StepId>() }))).status).toBe(404)
  })
  it('ends after as many answers as were wanted, also when they come at once, and tells whoever asked', async () => {
    const survey = surveyOf({ most: 2 })
    await ask(survey)
    const statuses = (
      await Promise.all((['staff', 'outsider', 'author'] as const).map((who) => answer(who, survey.id, { value: 0, comment: '' })))
    ).map((each) => each.status)
    expect(statuses.sort()).toEqual([204, 204, 409])
    expect((await read(survey.id)).survey).toMatchObject({ answers: 2, endedAt: START })
    expect(await isAsked('manager', survey.id)).toBe(false)
    const { rows } = await lead.json('get', '/api/inbox')
    expect(rows.some((row: { kind: string }) => row.kind === 'survey-over')).toBe(true)
  })
  it('can be ended by hand, and by whoever may publish the guide only', async () => {
    const survey = surveyOf()
    await ask(survey)
    const at = `/api/guides/${guide.id}/surveys/${survey.id}`
    expect((await (await company.as('staff')).send('post', `${at}/end`)).status).toBe(403)
    expect((await (await company.as('staff')).send('get', at)).status).toBe(403)
    expect((await lead.send('post', `${at}/end`)).status).toBe(204)
    expect((await lead.send('post', `${at}/end`)).status).toBe(204)
    expect(await isAsked('staff', survey.id)).toBe(false)
    expect((await answer('staff', survey.id, { value: 0, comment: '' })).status).toBe(409)
    const other = await aGuide(server, company, 'lead')
    expect((await lead.send('post', `/api/guides/${other.id}/surveys/${survey.id}/end`)).status).toBe(404)
    expect((await lead.send('get', `/api/guides/${other.id}/surveys/${survey.id}`)).status).toBe(404)
  })
  it('is told to those who left there, whom the asker may see', async () => {
    const staff = await company.as('staff')
    const base = { item: { kind: 'guide', id: guide.id }, edition: 1, way: 'read', visit: nanoid(), occurredAt: START }
    const events = [
      { ...base, id: uuidV7(), verb: 'opened' },
      { ...base, id: uuidV7(), verb: 'step-viewed', part: guide.steps[0] },
      { ...base, id: uuidV7(), verb: 'step-viewed', part: guide.steps[1] },
    ]
    await staff.json('post', '/api/events', { sentAt: START, events })
    const tell = { from: addDays(today, -7), to: today }
    expect(await ask(surveyOf({ tell: { ...tell, way: 'watch' } }))).toBe(0)
    expect(await ask(surveyOf({ tell }))).toBe(1)
    expect(await ask(surveyOf({ tell, stepId: guide.steps[2] as StepId }))).toBe(0)
    const { rows } = await staff.json('get', '/api/inbox')
    expect(rows.find((row: { kind: string }) => row.kind === 'asked-at-step')).toMatchObject({
      data: { step: 'Rinse', stepId: guide.steps[1] },
    })
  })
})

describe('an anonymous question', () => {
  it('stores nothing by which an answer could be found again: not who, not when, not where it lies', async () => {
    const survey = surveyOf({ anonymous: true, question: { kind: 'words', words: 'What do you miss?' } })
    await ask(survey)
    const readers = ['staff', 'outsider', 'author', 'otherAuthor', 'manager'] as const
    for (const [n, who] of readers.entries()) expect((await answer(who, survey.id, { value: null, comment: `Said ${n}` })).status).toBe(204)
    expect((await answer('staff', survey.id, { value: null, comment: 'Again' })).status).toBe(409)
    expect(await read(survey.id)).toMatchObject({ given: [], held: 5 })
    expect((await lead.send('post', `/api/guides/${guide.id}/surveys/${survey.id}/end`)).status).toBe(204)
    const { given } = await read(survey.id)
    expect(given.map((each) => [each.by, each.at])).toEqual(readers.map(() => [null, null]))
    expect(new Set(given.map((each) => (each.answer as { comment: string }).comment)).size).toBe(5)
    const rows = await server.parts.database.rows<{ xmin: string }>(
      'select xmin::text as xmin, * from survey_answer where survey_id = $1',
      [survey.id],
    )
    expect(new Set(rows.map((row) => row.xmin)).size).toBe(1)
    const ids = Object.values(company.people)
    expect(ids.filter((id) => JSON.stringify(rows).includes(id))).toEqual([])
  })
})
