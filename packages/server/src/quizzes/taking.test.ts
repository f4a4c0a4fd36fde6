import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { QuizDocument } from '@jackdaw/core/quizzes'
import type { BankId, PersonId, QuizId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { recount } from '../events'
import { aGuide, aQuiz, smallCompany, startTestServer, START, type Client, type Company, type TestServer } from '../testing/testServer'
import { endThoseOver } from './attempts/endThoseOver'
import { handsOverQuizzes } from './handsOver'
import { asking, CANARY, EVERY_KIND, questionOf, statements } from './testing'

let server: TestServer
let company: Company
let staff: Client
let manager: Client
let lead: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  staff = await company.as('staff')
  manager = await company.as('manager')
  lead = await company.as('lead')
})
afterAll(() => server.close())

const MINUTE = 60_000
const two = statements(2)
const quizOf = (more: Partial<QuizDocument> = {}, questions = two) =>
  aQuiz(server, company, 'author', { parts: asking(...questions), ...more })
const begin = async (quiz: QuizId, client = staff): Promise<string> =>
  (await client.json('post', `/api/quizzes/${quiz}/attempts`)).attemptId
const attempt = (id: string, client = staff) => client.json<QuizAttempt>('get', `/api/quiz-attempts/${id}`)
const save = (id: string, questionId: string, answer: unknown, revision = 0, expected = 200, client = staff) =>
  client.json('put', `/api/quiz-attempts/${id}/answers/${questionId}`, { answer, revision, activeMs: 1_000 }, expected)
const say = (value: boolean) => ({ kind: 'true-false', answer: { value } })
const handIn = (id: string) => staff.json<QuizAttempt>('post', `/api/quiz-attempts/${id}/hand-in`)
const state = async (quiz: QuizId) => (await staff.json('get', `/api/quizzes/${quiz}`)).state
/** Goes through an attempt, all answers right or all wrong. */
async function take(quiz: QuizId, value: boolean): Promise<QuizAttempt> {
  const id = await begin(quiz)
  for (const { id: question } of (await attempt(id)).questions) await save(id, question, say(value))
  return handIn(id)
}

describe('taking a quiz', () => {
  it('is asked of every kind of question, marked on the server, and stands in the records', async () => {
    const quiz = await quizOf(
      {},
      EVERY_KIND.map(({ question }) => question),
    )
    expect(await state(quiz)).toBe('not-started')
    const id = await begin(quiz)
    expect(await state(quiz)).toBe('in-progress')
    for (const { question, right } of EVERY_KIND) await save(id, question.id, { kind: question.kind, answer: right })
    const { result } = await handIn(id)
    expect(result).toMatchObject({ passed: true, percent: 100, right: 7, questions: 7, ended: 'handed-in' })
    expect(await state(quiz)).toBe('done')
    const before = await server.parts.database.rows("select * from item_progress where item_kind = 'quiz' order by 1, 2, 3")
    await recount(server.parts.database, server.parts.events)
    expect(await server.parts.database.rows("select * from item_progress where item_kind = 'quiz' order by 1, 2, 3")).toEqual(before)
  })

  it('tells nothing of what is right before it may be told: in no page, answer, event or record that the learner gets', async () => {
    const questions = EVERY_KIND.map(({ question }) => question)
    const quiz = await quizOf({ afterFailing: 'which', afterPassing: 'which' }, questions)
    const got: string[] = []
    const look = async (method: string, path: string, body?: unknown) => {
      const response = await staff.send(method, path, body)
      got.push(await response.text(), JSON.stringify([...response.headers]))
      return response.status
    }
    const id = await begin(quiz)
    for (const { question, wrong } of EVERY_KIND) {
      const saving = { answer: { kind: question.kind, answer: wrong }, revision: 0, activeMs: 1 }
      expect(await look('put', `/api/quiz-attempts/${id}/answers/${question.id}`, saving)).toBe(200)
    }
    await look('get', `/api/quiz-attempts/${id}`)
    expect(await look('post', `/api/quiz-attempts/${id}/hand-in`)).toBe(200)
    const person = company.people.staff
    for (const path of [
      ...[
        `/api/quizzes/${quiz}`,
        `/api/quiz-attempts/${id}`,
        `/quizzes/${quiz}`,
        `/quiz-attempts/${id}`,
        '/api/today',
        '/api/inbox',
        '/api/library',
        '/',
      ],
      ...[`/api/people/${person}/quizzes/${quiz}/attempts`, `/api/people/${person}/records`],
      // What is not for them.
      ...[`/api/quizzes/${quiz}/draft`, `/api/quiz-attempts/${id}/record`, '/api/banks'],
    ])
      await look('get', path)
    const all = got.join('\n')
    expect(all).toContain('What is it, match?')
    expect(all).not.toMatch(new RegExp(`${CANARY}|987654|mixing tank|"accepted"|"tolerance"`))
    expect(await server.parts.database.rows('select id from event where data::text like $1', [`%${CANARY}%`])).toEqual([])
  })

  it.each(['nothing', 'count', 'which', 'explained'] as const)(
    'after failing tells “%s”, as the author has chosen',
    async (afterFailing) => {
      const { result } = await take(await quizOf({ afterFailing }), false)
      const counts = afterFailing !== 'nothing'
      expect(result).toMatchObject({ passed: false, told: afterFailing, percent: counts ? 0 : null, right: counts ? 0 : null })
      expect(result!.marks?.map(({ verdict }) => verdict) ?? null).toEqual(
        ['which', 'explained'].includes(afterFailing) ? ['wrong', 'wrong'] : null,
      )
      expect(JSON.stringify(result).includes(CANARY)).toBe(afterFailing === 'explained')
    },
  )

  it('leads to the steps behind what was missed, as far as the person may read them, and nowhere where it is told only that it failed', async () => {
    const [own, secret] = [await aGuide(server, company, 'author'), await aGuide(server, company, 'author', { published: false })]
    const tests = (guide: { id: string; steps: string[] }, n: number) => ({ guideId: guide.id, stepId: guide.steps[n]! })
    const missed = questionOf('true-false', {}, { right: true }, { steps: [tests(own, 2), tests(secret, 0)] as never })
    const known = questionOf('true-false', {}, { right: false }, { steps: [tests(own, 0)] as never })
    const over = async (more: Partial<QuizDocument>) => (await take(await quizOf(more, [missed, known]), false)).result!.goOver
    expect(await over({})).toEqual([{ guideId: own.id, title: 'Rinse the trays', steps: [own.steps[2]] }])
    expect(await over({ afterFailing: 'nothing' })).toEqual([])
  })

  it('is not done by an attempt that is not passed, and by one that is passed later', async () => {
    const quiz = await quizOf()
    expect((await take(quiz, false)).result).toMatchObject({ passed: false, begins: { may: true }, attemptsLeft: null })
    expect(await state(quiz)).toBe('in-progress')
    expect((await take(quiz, true)).result).toMatchObject({ passed: true, number: 2 })
    expect(await state(quiz)).toBe('done')
  })
})

describe('an attempt', () => {
  it('is begun once, however often one presses, and its answers are there in another window', async () => {
    const quiz = await quizOf()
    const ids = await Promise.all(Array.from({ length: 6 }, () => begin(quiz)))
    expect(new Set(ids).size).toBe(1)
    await save(ids[0]!, two[0]!.id, say(true))
    expect((await attempt(ids[0]!)).answers).toEqual([{ questionId: two[0]!.id, answer: say(true), revision: 1 }])
  })
  it('keeps both answers where two windows answer the same: the second is told, and chooses', async () => {
    const id = await begin(await quizOf())
    const question = two[0]!.id
    expect(await save(id, question, say(true))).toEqual({ revision: 1 })
    // The same once more, as when the reply was lost.
    expect(await save(id, question, say(true))).toEqual({ revision: 1 })
    await save(id, question, say(false), 0, 412)
    expect((await attempt(id)).answers[0]!.answer).toEqual(say(true))
    expect(await save(id, question, say(false), 1)).toEqual({ revision: 2 })
    await save(id, question, null, 2)
    expect((await attempt(id)).answers[0]!.answer).toBeNull()
  })
  it('takes no answer to what it does not ask, and none of another kind counts', async () => {
    const id = await begin(await quizOf())
    await save(id, nanoid(), say(true), 0, 404)
    await save(id, two[0]!.id, { kind: 'text', answer: { words: 'true' } })
    expect((await handIn(id)).result).toMatchObject({ right: 0 })
  })
  it('refuses an answer of two megabytes with what is allowed, and keeps emoji and writing from right to left', async () => {
    const question = questionOf('text', {}, { accepted: ['🌱 مضخة'], slips: 0, sameCase: false })
    const quiz = await quizOf({}, [question])
    const id = await begin(quiz)
    const path = `/api/quiz-attempts/${id}/answers/${question.id}`
    const words = (text: string) => ({ answer: { kind: 'text', answer: { words: text } }, revision: 0, activeMs: 0 })
    expect((await staff.send('put', path, words('x'.repeat(2_000_000)))).status).toBe(413)
    const long = await staff.send('put', path, words('x'.repeat(501)))
    expect([long.status, await long.text()]).toEqual([422, expect.stringContaining('500 characters')])
    await staff.json('put', path, words('🌱 مضخة'))
    expect((await handIn(id)).result).toMatchObject({ passed: true })
  })
  it('stays as it is when it is handed in again, and takes no more answers', async () => {
    const id = await begin(await quizOf())
    const [first, again] = [await handIn(id), await handIn(id)]
    expect(again.result).toEqual(first.result)
    await save(id, two[0]!.id, say(true), 0, 409)
  })
  it('goes on in its edition when a question of it is taken out meanwhile', async () => {
    const quiz = await quizOf()
    const id = await begin(quiz)
    const { document, revision } = await lead.json('get', `/api/quizzes/${quiz}/draft`)
    await lead.json('put', `/api/quizzes/${quiz}/draft`, { revision, document: { ...document, parts: document.parts.slice(0, 1) } })
    await lead.json('post', `/api/quizzes/${quiz}/editions`, { revision: revision + 1, changeNote: '', again: false })
    for (const { id: question } of two) await save(id, question, say(true))
    expect((await handIn(id)).result).toMatchObject({ passed: true, questions: 2, edition: 1 })
  })
  it('is limited in number, waits after a failure, opens and closes; more can be allowed', async () => {
    const quiz = await quizOf({ attempts: 2, waitMinutes: 10 })
    const path = `/api/quizzes/${quiz}/attempts`
    await take(quiz, false)
    await staff.json('post', path, undefined, 409)
    server.clock.now += 10 * MINUTE
    expect((await take(quiz, false)).result).toMatchObject({ attemptsLeft: 0, begins: { may: false, reason: 'none-left' } })
    server.clock.now += 10 * MINUTE
    expect((await staff.json('post', path, undefined, 409)).code).toBe('no-attempts-left')
    const allowance = `/api/people/${company.people.staff}/quizzes/${quiz}/allowance`
    await staff.json('put', allowance, { extraPercent: 0, extraAttempts: 1 }, 403)
    await manager.json('put', allowance, { extraPercent: 0, extraAttempts: 1 }, 204)
    expect((await take(quiz, true)).result).toMatchObject({ passed: true })

    const later = await quizOf({ opensAt: server.clock.now + MINUTE, closesAt: server.clock.now + 2 * MINUTE })
    expect((await staff.json('get', `/api/quizzes/${later}`)).begins).toEqual({
      may: false,
      reason: 'not-open-yet',
      at: server.clock.now + MINUTE,
    })
    server.clock.now += MINUTE
    await begin(later)
    server.clock.now += MINUTE
    expect((await staff.json('get', `/api/quizzes/${later}`)).begins).toEqual({ may: false, reason: 'closed' })
  })
})

describe('the time of an attempt', () => {
  it('is that of the server: what comes after its end does not count, what came before does', async () => {
    const quiz = await quizOf({ timeLimitMinutes: 20 })
    const id = await begin(quiz)
    const { endsAt, now } = await attempt(id)
    expect(endsAt! - now).toBe(20 * MINUTE)
    await save(id, two[0]!.id, say(true))
    server.clock.now = endsAt!
    await save(id, two[1]!.id, say(true), 0, 409)
    const { result } = await attempt(id)
    expect(result).toMatchObject({ ended: 'time-over', endedAt: endsAt, right: 1, percent: 50, passed: false })
    const entry = (await staff.json('get', '/api/inbox')).rows.find((row: { kind: string }) => row.kind === 'time-over')
    expect(entry).toMatchObject({ about: { kind: 'quiz-attempt', id }, data: { answered: 1, questions: 2 } })
  })
  it('is over also for whoever does not come back, and is ended once by several servers at once', async () => {
    const quiz = await quizOf({ timeLimitMinutes: 1 })
    const id = await begin(quiz)
    server.clock.now += 5 * MINUTE
    await Promise.all([1, 2, 3].map(() => endThoseOver(server.parts, server.clock.now)))
    const judged = await server.parts.database.rows("select id from event where verb = 'attempt-judged' and visit = $1", [id])
    expect(judged).toHaveLength(1)
    expect((await attempt(id)).result).toMatchObject({ ended: 'time-over', endedAt: expect.any(Number) })
  })
  it('is longer for whoever was allowed more', async () => {
    const quiz = await quizOf({ timeLimitMinutes: 20 })
    await lead.json('put', `/api/people/${company.people.staff}/quizzes/${quiz}/allowance`, { extraPercent: 50, extraAttempts: 0 }, 204)
    const { endsAt, openedAt } = await attempt(await begin(quiz))
    expect(endsAt! - openedAt).toBe(30 * MINUTE)
    expect((await staff.json('get', `/api/quizzes/${quiz}`)).extraPercent).toBe(50)
  })
})

describe('drawing from a bank', () => {
  it('brings other questions at the next attempt, those of the edition, and can be repeated', async () => {
    const bank = nanoid<BankId>()
    await server.services.addBank({
      ...{ id: bank, ownerId: company.people.author, now: START },
      document: { title: 'Water', questions: statements(6, { tags: ['water'] }) },
    })
    const quiz = await aQuiz(server, company, 'author', { parts: [{ part: 'draw', id: 'part-one', bankId: bank, tag: 'water', count: 3 }] })
    const first = (await take(quiz, false)).questions.map(({ id }) => id)
    const second = (await take(quiz, false)).questions.map(({ id }) => id)
    expect(new Set([...first, ...second]).size).toBe(6)
    // What becomes of the bank reaches the next edition only.
    const { document, revision } = await lead.json('get', `/api/banks/${bank}`)
    await lead.json('put', `/api/banks/${bank}`, { revision, document: { ...document, questions: document.questions.slice(0, 2) } })
    expect((await take(quiz, true)).questions).toHaveLength(3)
    expect(await lead.json('get', `/api/quizzes/${quiz}/draft`)).toMatchObject({ changed: true, changedBanks: ['Water'] })
    const refused = await lead.send('post', `/api/quizzes/${quiz}/editions`, { revision: 1, changeNote: '', again: false })
    expect([refused.status, await refused.text()]).toEqual([409, expect.stringContaining('only 2 are there')])
  })
})

describe('results', () => {
  it('are told to those who asked for them: every one, failures, or the third failure', async () => {
    const { author, lead: leadId, manager: managerId } = company.people
    const quiz = await quizOf({
      tell: [
        { personId: author, when: 'every' },
        { personId: leadId, when: 'failures' },
        { personId: managerId, when: 'third-failure' },
      ],
    })
    const ids: string[] = []
    for (const passes of [false, false, false, true]) ids.push((await take(quiz, passes)).attemptId)
    const told = async (client: Client) =>
      (await client.json('get', '/api/inbox')).rows
        .filter((row: { kind: string }) => row.kind === 'quiz-result')
        .map(({ about }: { about: { id: string } }) => ids.indexOf(about.id))
        .filter((n: number) => n >= 0)
        .sort()
    expect(await told(await company.as('author'))).toEqual([0, 1, 2, 3])
    expect(await told(lead)).toEqual([0, 1, 2])
    expect(await told(manager)).toEqual([2])
  })
  it('stand in the records for those who may see them, with what is right only for those who may edit the quiz', async () => {
    const quiz = await quizOf()
    const { attemptId } = await take(quiz, false)
    const path = `/api/people/${company.people.staff}/quizzes/${quiz}/attempts`
    expect(await manager.json('get', path)).toMatchObject({
      title: 'Water',
      attempts: [{ attemptId, passed: false, percent: 0 }],
      mayAllow: true,
    })
    const record = `/api/quiz-attempts/${attemptId}/record`
    expect(JSON.stringify(await manager.json('get', record))).not.toContain(CANARY)
    expect((await lead.json('get', record)).questions[0]).toMatchObject({
      whole: { key: { right: true } },
      answer: say(false),
      verdict: 'wrong',
    })
    await staff.json('get', record, undefined, 404)
    const outsider = await company.as('outsider')
    for (const each of [record, `/api/quiz-attempts/${attemptId}`, `/api/quizzes/${quiz}`]) await outsider.json('get', each, undefined, 404)
    await manager.json('get', `/api/quiz-attempts/${attemptId}`, undefined, 403)
  })
  it('count in a new round from its beginning', async () => {
    const quiz = await quizOf({ attempts: 1 })
    await take(quiz, true)
    await server.parts.database.rows('update assignment set round_from = $2 where item_id = $1', [quiz, new Date(server.clock.now + 1)])
    server.clock.now += MINUTE
    expect(await state(quiz)).not.toBe('done')
    expect((await take(quiz, true)).result).toMatchObject({ passed: true })
    expect(await state(quiz)).toBe('done')
  })
})

it('writing: nothing is lost where two write, and a key with nothing right is not published', async () => {
  const author = await company.as('author')
  const document = { ...(await draft()).document, title: 'Seeds' }
  const { id } = await author.json('post', '/api/quizzes', { document })
  await author.json('put', `/api/quizzes/${id}/draft`, { revision: 1, document: { ...document, passMark: 100 } })
  await author.json('put', `/api/quizzes/${id}/draft`, { revision: 1, document }, 409)
  const empty = asking(questionOf('one', { options: [] }, { right: null }))
  expect(
    (await author.json('put', `/api/quizzes/${id}/draft`, { revision: 2, document: { ...document, parts: empty } })).findings,
  ).toMatchObject([{ stops: true, words: 'Give it at least 2 answers.' }])
  await lead.json('post', `/api/quizzes/${id}/editions`, { revision: 3, changeNote: '', again: false }, 409)
  await (await company.as('otherAuthor')).json('get', `/api/quizzes/${id}/draft`, undefined, 404)
  async function draft(): Promise<{ document: QuizDocument }> {
    return author.json('get', `/api/quizzes/${await quizOf()}/draft`)
  }
})

it('quizzes and banks go over with their owner, and nobody else’s do', async () => {
  const { database } = server.parts
  const { author, otherAuthor, lead: leadId } = company.people
  const quiz = await quizOf()
  const bank = nanoid<BankId>()
  await server.services.addBank({ id: bank, ownerId: author, now: START, document: { title: 'Light', questions: [] } })
  const held = await handsOverQuizzes.heldBy(database, author)
  expect(held).toEqual(expect.arrayContaining([quiz, bank]))
  const pass = (from: PersonId, to: PersonId) => database.transaction((tx) => handsOverQuizzes.pass(tx, [quiz, bank], from, to))
  expect(await pass(leadId, otherAuthor)).toEqual([])
  expect((await pass(author, otherAuthor)).sort()).toEqual([quiz, bank].sort())
  expect(await handsOverQuizzes.heldBy(database, otherAuthor)).toEqual(expect.arrayContaining([quiz, bank]))
  await (await company.as('otherAuthor')).json('get', `/api/quizzes/${quiz}/draft`)
  await (await company.as('author')).json('get', `/api/quizzes/${quiz}/draft`, undefined, 404)
})

it('a quiz that is no business of somebody’s stands in no record of theirs, and nothing can be granted for it', async () => {
  const quiz = await aQuiz(server, company, 'author', { parts: asking(...two) }, { given: false })
  const path = `/api/people/${company.people.staff}/quizzes/${quiz}`
  for (const client of [staff, manager, lead]) await client.json('get', `${path}/attempts`, undefined, 404)
  await manager.json('put', `${path}/allowance`, { extraPercent: 0, extraAttempts: 1 }, 404)
})
