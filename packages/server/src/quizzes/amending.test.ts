import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { Question, QuizDocument } from '@jackdaw/core/quizzes'
import type { QuestionId, QuizAmendmentId, QuizId } from '@jackdaw/core/shared'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { recount } from '../events'
import { aQuiz, smallCompany, startTestServer, type Client, type Company, type TestServer, type Who } from '../testing/testServer'
import { putResultsRight } from './amending/putResultsRight'
import { asking, questionOf, statements } from './testing'

let server: TestServer
let company: Company
const clients = {} as Record<Who, Client>
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  for (const who of ['staff', 'manager', 'lead', 'author', 'outsider'] as const) clients[who] = await company.as(who)
})
afterAll(() => server.close())

const DAY = 86_400_000
const quizOf = (questions: Question[], more: Partial<QuizDocument> = {}) =>
  aQuiz(server, company, 'author', { parts: asking(...questions), passMark: 80, ...more })
const begin = async (quiz: QuizId): Promise<string> => (await clients.staff.json('post', `/api/quizzes/${quiz}/attempts`)).attemptId
const attempt = (id: string) => clients.staff.json<QuizAttempt>('get', `/api/quiz-attempts/${id}`)
const handIn = (id: string) => clients.staff.json<QuizAttempt>('post', `/api/quiz-attempts/${id}/hand-in`)
/** Answers the questions of an attempt; such as are not said to be false are said to be true. */
async function answer(id: string, wrong: readonly string[]): Promise<void> {
  for (const { id: question, kind } of (await attempt(id)).questions) {
    const given = kind === 'true-false' ? { kind, answer: { value: !wrong.includes(question) } } : { kind, answer: { words: 'Because.' } }
    await clients.staff.json('put', `/api/quiz-attempts/${id}/answers/${question}`, { answer: given, revision: 0, activeMs: 5 })
  }
}
async function taken(quiz: QuizId, wrong: readonly string[]): Promise<string> {
  const id = await begin(quiz)
  await answer(id, wrong)
  await handIn(id)
  return id
}
const path = (quiz: QuizId, question: string) => `/api/quizzes/${quiz}/questions/${question}/amendment`
/** Puts a question right and has the job done that follows. */
async function put(
  quiz: QuizId,
  question: string,
  how: 'voided' | 're-marked',
  reason = 'Its words could be read in two ways.',
): Promise<string> {
  const { amendmentId } = await clients.lead.json('post', path(quiz, question), { how, reason })
  await putResultsRight(server.parts, amendmentId as QuizAmendmentId, server.clock.now, async () => undefined)
  return amendmentId
}
/** Turns the key of a statement in the draft. */
async function turnKey(quiz: QuizId, question: string): Promise<void> {
  const { document, revision } = await clients.author.json('get', `/api/quizzes/${quiz}/draft`)
  for (const part of document.parts) if (part.question.id === question) part.question.key = { right: !part.question.key.right }
  await clients.author.json('put', `/api/quizzes/${quiz}/draft`, { revision, document })
}
const state = async (quiz: QuizId) => (await clients.staff.json('get', `/api/quizzes/${quiz}`)).state
const progress = () => server.parts.database.rows("select * from item_progress where item_kind = 'quiz' order by 1, 2, 3")
const told = async (id: string) =>
  server.parts.database.rows<{ data: unknown }>("select data from inbox_entry where kind = 'result-put-right' and about_id = $1", [id])

describe('a question that is voided', () => {
  it('counts for nothing: who failed by it has passed, as of the day on which they took it, on time; record, state and learner say so', async () => {
    const five = statements(5)
    const quiz = await quizOf(five)
    const wrong = [five[0]!.id, five[1]!.id]
    const id = await taken(quiz, wrong)
    expect((await attempt(id)).result).toMatchObject({ passed: false, percent: 60 })
    const at = server.clock.now
    server.clock.now += 20 * DAY
    // It was due after 14 days.
    expect(await state(quiz)).toBe('late')
    expect(await clients.lead.json('get', `${path(quiz, wrong[0]!)}?how=voided`)).toEqual({
      possible: true,
      reached: { attempts: 1, passes: 0, fails: 0, points: 1 },
    })
    await put(quiz, wrong[0]!, 'voided')
    expect((await attempt(id)).result).toMatchObject({ passed: false, percent: 75, right: 3, questions: 4 })
    expect(await state(quiz)).toBe('late')
    await put(quiz, wrong[1]!, 'voided', 'It was not taught.')
    const { result } = await attempt(id)
    expect(result).toMatchObject({ passed: true, percent: 100, right: 3, questions: 3 })
    expect(result!.putRight).toMatchObject([
      { how: 'voided', change: 'passes', reason: 'It was not taught.' },
      { how: 'voided', change: 'points' },
    ])
    expect(result!.marks!.map(({ counts }) => counts)).toEqual([false, false, true, true, true])
    expect(await state(quiz)).toBe('done')
    expect(await told(id)).toMatchObject([{ data: { change: 'passes', reason: 'It was not taught.' } }])
    const [row] = await server.parts.database.rows<{ last_finished_at: Date }>(
      'select last_finished_at from item_progress where item_id = $1 and person_id = $2',
      [quiz, company.people.staff],
    )
    expect(row!.last_finished_at.getTime()).toBe(at)
    const record = await clients.lead.json('get', `/api/quiz-attempts/${id}/record`)
    expect(record.putRight).toMatchObject([
      { by: { name: 'Name of lead' }, before: { percent: 75, passed: false }, after: { percent: 100, passed: true } },
      { before: { percent: 60, passed: false }, after: { percent: 75, passed: false } },
    ])
    expect((await clients.author.json('get', `/api/quizzes/${quiz}/amendments`)).map((each: { reached: unknown }) => each.reached)).toEqual(
      [
        { attempts: 1, passes: 1, fails: 0, points: 0 },
        { attempts: 1, passes: 0, fails: 0, points: 1 },
      ],
    )
    const before = await progress()
    await recount(server.parts.database, server.parts.events)
    expect(await progress()).toEqual(before)
    await clients.lead.json('post', path(quiz, wrong[0]!), { how: 'voided', reason: 'Twice.' })
    expect(await clients.author.json('get', `/api/quizzes/${quiz}/amendments`)).toHaveLength(2)
  })

  it('done twice over changes nothing more, and who passed by it has not passed any more', async () => {
    const five = statements(5)
    const quiz = await quizOf(five)
    const id = await taken(quiz, [five[4]!.id])
    expect(await state(quiz)).toBe('done')
    const amendment = await put(quiz, five[0]!.id, 'voided')
    await putResultsRight(server.parts, amendment as QuizAmendmentId, server.clock.now, async () => undefined)
    expect((await attempt(id)).result).toMatchObject({ passed: false, percent: 75 })
    expect((await attempt(id)).result!.putRight).toHaveLength(1)
    expect(await state(quiz)).toBe('in-progress')
  })

  it('reaches an attempt that was open then, when it ends, and one that waits to be judged', async () => {
    const [first, second] = statements(2)
    const quiz = await quizOf([first!, second!], { passMark: 100 })
    const done = await taken(quiz, [first!.id])
    const open = await begin(quiz)
    await answer(open, [first!.id])
    await put(quiz, first!.id, 'voided')
    expect((await attempt(done)).result).toMatchObject({ passed: true })
    expect((await handIn(open)).result).toMatchObject({ passed: true, right: 1, questions: 1 })

    const reply = questionOf('written', { mostCharacters: 100 }, { words: '', criteria: [{ id: 'why', words: 'Says why', most: 2 }] })
    const graders = { people: [company.people.manager], two: false, third: null }
    const judged = await quizOf([reply, ...statements(1)], { graders })
    const waiting = await taken(judged, [])
    expect(await state(judged)).toBe('waiting')
    await put(judged, reply.id, 'voided')
    expect((await attempt(waiting)).result).toMatchObject({ passed: true, percent: 100 })
    expect((await clients.manager.json('get', '/api/to-judge')).rows).toEqual([])
    expect(await state(judged)).toBe('done')
  })
})

describe('a question that is marked anew', () => {
  it('by the key that it has now: who had it right by that has passed, and what is told is the new key', async () => {
    const [first, second] = statements(2)
    const quiz = await quizOf([first!, second!], { passMark: 100, afterPassing: 'explained' })
    const id = await taken(quiz, [first!.id])
    const look = () => clients.lead.json('get', `${path(quiz, first!.id)}?how=re-marked`)
    expect(await look()).toEqual({ possible: false, why: 'same-key' })
    await clients.lead.json('post', path(quiz, first!.id), { how: 're-marked', reason: 'Wrong key.' }, 409)
    await turnKey(quiz, first!.id)
    expect(await look()).toEqual({ possible: true, reached: { attempts: 1, passes: 1, fails: 0, points: 0 } })
    await put(quiz, first!.id, 're-marked', 'Wrong key.')
    const { result } = await attempt(id)
    expect(result).toMatchObject({ passed: true, percent: 100 })
    expect(result!.marks![0]).toMatchObject({ verdict: 'right', counts: true, explained: { question: { key: { right: false } } } })
    expect(await state(quiz)).toBe('done')
    // Somebody who begins now, in the edition with the wrong key, is marked by the right one.
    const next = await begin(quiz)
    await answer(next, [first!.id])
    expect((await handIn(next)).result).toMatchObject({ passed: true })
  })

  it('and not once more by an earlier amendment that comes late', async () => {
    const [first, second] = statements(2)
    const quiz = await quizOf([first!, second!], { passMark: 100 })
    const id = await taken(quiz, [first!.id])
    await turnKey(quiz, first!.id)
    const earlier = await put(quiz, first!.id, 're-marked')
    await put(quiz, first!.id, 'voided')
    await putResultsRight(server.parts, earlier as QuizAmendmentId, server.clock.now, async () => undefined)
    expect((await attempt(id)).result).toMatchObject({ passed: true, right: 1, questions: 1 })
  })

  it('only where it asked the same, and is still there', async () => {
    const [first, second] = statements(2)
    const quiz = await quizOf([first!, second!])
    await taken(quiz, [])
    const { document, revision } = await clients.author.json('get', `/api/quizzes/${quiz}/draft`)
    await clients.author.json('put', `/api/quizzes/${quiz}/draft`, { revision, document: { ...document, parts: document.parts.slice(1) } })
    expect(await clients.lead.json('get', `${path(quiz, first!.id)}?how=re-marked`)).toEqual({ possible: false, why: 'gone' })
    await clients.lead.json('get', `${path(quiz, 'q'.repeat(21))}?how=voided`, undefined, 404)
  })
})

it('only who may publish puts anything right, and says why', async () => {
  const [first] = statements(1)
  const quiz = await quizOf([first!])
  await taken(quiz, [])
  const question = first!.id as QuestionId
  const body = { how: 'voided', reason: 'Wrong.' }
  for (const [who, status] of [
    ['staff', 403],
    ['author', 403],
    ['outsider', 404],
    ['manager', 403],
  ] as const)
    await clients[who].json('post', path(quiz, question), body, status)
  await clients.lead.json('post', path(quiz, question), { ...body, reason: '  ' }, 422)
  await clients.lead.json('post', path(quiz, question), { ...body, how: 'passed' }, 422)
  expect(await clients.author.json('get', `/api/quizzes/${quiz}/amendments`)).toEqual([])
})
