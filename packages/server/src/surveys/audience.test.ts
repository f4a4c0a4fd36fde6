import type { AskedSurvey, AudienceSurvey, AudienceSurveyResults } from '@jackdaw/contracts/audienceSurveys'
import { EVERYBODY, ticked } from '@jackdaw/core/audiences'
import { addDays, localDateAt } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { Client, smallCompany, startTestServer, START, type Company, type TestServer, type Who } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
})
afterAll(() => server.close())

const today = localDateAt(START, 'Europe/London')
const QUESTIONS = [
  { id: 'clear-1', question: { kind: 'stars', words: 'How clear was it?' }, needed: true },
  { id: 'miss-01', question: { kind: 'words', words: 'What did you miss?' }, needed: false },
]
const survey = (more: object = {}) => ({
  document: { title: 'Your first week', about: 'Two minutes.', questions: QUESTIONS },
  ...{ audience: EVERYBODY, anonymous: false, until: null },
  ...more,
})
const send = async (more: object = {}, id = nanoid(), who = lead) => {
  const response = await who.send('put', `/api/surveys/${id}`, survey(more))
  return { id, status: response.status, asked: response.status === 200 ? ((await response.json()) as { asked: number }).asked : 0 }
}
const asked = async (who: Who): Promise<AskedSurvey[]> => (await company.as(who)).json('get', '/api/asked-surveys')
const answer = async (who: Who, id: string, answers: object[]) =>
  (await (await company.as(who)).send('post', `/api/asked-surveys/${id}/answers`, { answers })).status
const stars = (value: number, comment = '') => ({ id: 'clear-1', answer: { value, comment } })
const results = (id: string): Promise<AudienceSurveyResults> => lead.json('get', `/api/surveys/${id}`)

it('is put to everybody of an audience but whoever sends it, once, and tells who said what', async () => {
  const { id, asked: people } = await send()
  expect(people).toBe(6)
  expect((await send({}, id)).asked).toBe(6)
  expect((await asked('staff')).map((each) => each.document.title)).toEqual(['Your first week'])
  expect(await asked('lead')).toEqual([])
  const inbox = await (await company.as('staff')).json('get', '/api/inbox')
  expect(inbox.rows.filter(({ kind }: { kind: string }) => kind === 'survey')).toHaveLength(1)
  expect(await answer('staff', id, [])).toBe(422)
  expect(await answer('staff', id, [stars(6)])).toBe(422)
  expect(await answer('lead', id, [stars(3)])).toBe(404)
  const words = { id: 'miss-01', answer: { value: null, comment: 'A picture of the gate' } }
  expect(await answer('staff', id, [stars(4), words])).toBe(204)
  expect(await answer('staff', id, [stars(4)])).toBe(409)
  expect(await asked('staff')).toEqual([])
  const { survey: shown, answers, audience } = await results(id)
  expect(shown).toMatchObject({ asked: 6, answered: 1, endedAt: null })
  expect(answers).toEqual([
    { ...stars(4), by: { id: company.people.staff, name: 'Name of staff' }, at: START },
    { ...words, by: { id: company.people.staff, name: 'Name of staff' }, at: START },
  ])
  expect(audience.sentence).not.toBe('')
})
it('stores nothing without names by which an answer could be found again, and shows none by itself', async () => {
  const { id } = await send({ anonymous: true })
  const people: Who[] = ['staff', 'outsider', 'author', 'otherAuthor', 'manager', 'admin']
  for (const [n, who] of people.entries()) {
    expect(await results(id)).toMatchObject({ answers: [], held: n })
    expect(await answer(who, id, [stars(1 + (n % 5))])).toBe(204)
  }
  expect(await results(id)).toMatchObject({ answers: [], held: 6 })
  expect((await lead.send('post', `/api/surveys/${id}/end`)).status).toBe(204)
  const { answers, held } = await results(id)
  expect(held).toBe(0)
  expect(answers.every(({ by, at }) => by === null && at === null)).toBe(true)
  expect(answers.map((each) => each.answer.value).sort()).toEqual([1, 1, 2, 3, 4, 5])
  const kept = await server.parts.database.rows<object>('select person_id, answered_at from audience_survey_answer where survey_id = $1', [
    id,
  ])
  expect(kept).toEqual(people.map(() => ({ person_id: null, answered_at: null })))
})
it('ends on its day or by hand; then nobody is asked', async () => {
  const dated = await send({ until: today })
  const other = await send()
  server.clock.now = START + 86_400_000
  expect((await asked('staff')).map(({ id }) => id)).toEqual([other.id])
  expect(await answer('staff', dated.id, [stars(4)])).toBe(409)
  const told = async (): Promise<number> =>
    (await (await company.as('outsider')).json('get', '/api/inbox')).rows.filter((row: { kind: string }) => row.kind === 'survey').length
  const before = await told()
  expect((await lead.send('post', `/api/surveys/${other.id}/end`)).status).toBe(204)
  expect(await told()).toBe(before - 1)
  expect(await asked('staff')).toEqual([])
  expect(await answer('staff', other.id, [stars(4)])).toBe(409)
  server.clock.now = START
  const all: AudienceSurvey[] = await lead.json('get', '/api/surveys')
  expect(all).toHaveLength(4)
  expect(all.find(({ id }) => id === other.id)?.endedAt).not.toBeNull()
})
it('is sent by the lead, to somebody, with questions', async () => {
  expect((await send({}, nanoid(), await company.as('author'))).status).toBe(403)
  expect((await send({ audience: ticked([], [company.people.lead]) })).status).toBe(409)
  expect((await send({ document: { title: '', about: '', questions: QUESTIONS } })).status).toBe(422)
  expect((await send({ document: { title: 'None', about: '', questions: [] } })).status).toBe(422)
  expect((await send({ audience: { saved: nanoid() } })).status).toBe(422)
  expect((await send({ until: addDays(today, -1) })).status).toBe(422)
})
