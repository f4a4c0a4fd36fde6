import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { getJudging } from '@jackdaw/contracts/judging'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { Graders, QuizDocument } from '@jackdaw/core/quizzes'
import type { PersonId, QuizId } from '@jackdaw/core/shared'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aQuiz, smallCompany, startTestServer, type Client, type Company, type TestServer, type Who } from '../testing/testServer'
import { asking, CANARY, questionOf, statements } from './testing'

let server: TestServer
let company: Company
const clients = {} as Record<Who, Client>
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  for (const who of ['staff', 'manager', 'lead', 'author', 'otherAuthor', 'outsider'] as const) clients[who] = await company.as(who)
})
afterAll(() => server.close())

const criteria = [
  { id: 'shows', words: `Shows it first, ${CANARY}`, most: 4 },
  { id: 'lets', words: 'Lets the other try', most: 6 },
]
const reply = () => questionOf('written', { mostCharacters: 500 }, { words: CANARY, criteria }, { points: 5 })
const gradersOf = (people: readonly Who[], more: Partial<Graders> = {}): Graders => ({
  ...{ people: people.map((who) => company.people[who]), two: false, third: null },
  ...more,
})
/** A quiz with a reply and a statement that has as many points; half of them pass. */
const quizOf = (graders: Graders, more: Partial<QuizDocument> = {}) =>
  aQuiz(server, company, 'author', { parts: asking(reply(), ...statements(1, { points: 5 })), passMark: 80, graders, ...more })
type Waiting = { quiz: QuizId; id: string; replyId: string }
/** Has the learner answer all of it. */
async function handedIn(quiz: QuizId): Promise<Waiting> {
  const { staff } = clients
  const id: string = (await staff.json('post', `/api/quizzes/${quiz}/attempts`)).attemptId
  const [first, second] = (await staff.json<QuizAttempt>('get', `/api/quiz-attempts/${id}`)).questions
  const save = (questionId: string, answer: unknown) =>
    staff.json('put', `/api/quiz-attempts/${id}/answers/${questionId}`, { answer, revision: 0, activeMs: 1_000 })
  await save(first!.id, { kind: 'written', answer: { words: 'I show it 🌱, then you try. שלום' } })
  await save(second!.id, { kind: 'true-false', answer: { value: true } })
  await staff.json('post', `/api/quiz-attempts/${id}/hand-in`)
  return { quiz, id, replyId: first!.id }
}
const grade = ({ id, replyId }: Waiting, who: Who, shows: number, lets: number, expected = 200, words = '') =>
  clients[who].json('put', `/api/quiz-attempts/${id}/grades/${replyId}`, { points: { shows, lets }, words }, expected)
const judging = ({ id }: Waiting, who: Who) => clients[who].json<ResponseOf<typeof getJudging>>('get', `/api/quiz-attempts/${id}/judging`)
const attempt = ({ id }: Waiting) => clients.staff.json<QuizAttempt>('get', `/api/quiz-attempts/${id}`)
const state = async ({ quiz }: Waiting) => (await clients.staff.json('get', `/api/quizzes/${quiz}`)).state
const toJudge = async (who: Who, { id }: Waiting) =>
  (await clients[who].json('get', '/api/to-judge')).rows.filter((row: { attemptId: string }) => row.attemptId === id)
const inbox = async (who: Who, { id }: Waiting) =>
  server.parts.database.rows<{ kind: string; open: boolean }>(
    'select kind, settled_at is null as open from inbox_entry where person_id = $1 and about_id = $2 order by at, kind',
    [company.people[who], id],
  )

describe('a reply that a person judges', () => {
  it('waits for the one who is named, who alone sees it; then the learner is told the result and the words', async () => {
    const waiting = await handedIn(await quizOf(gradersOf(['otherAuthor'])))
    expect((await attempt(waiting)).result).toMatchObject({ passed: null, percent: null, marks: null, said: [] })
    expect(await state(waiting)).toBe('waiting')
    await clients.staff.json('post', `/api/quizzes/${waiting.quiz}/attempts`, undefined, 409)
    expect(await inbox('otherAuthor', waiting)).toEqual([{ kind: 'to-judge', open: true }])
    expect(await toJudge('otherAuthor', waiting)).toMatchObject([{ replies: 1, apart: false, person: { name: 'Name of staff' } }])
    expect((await clients.otherAuthor.json('get', '/api/today')).toJudge).toBeGreaterThan(0)
    for (const who of ['author', 'outsider', 'lead', 'manager', 'staff'] as const) {
      expect(await toJudge(who, waiting)).toEqual([])
      await grade(waiting, who, 4, 6, who === 'outsider' || who === 'author' ? 404 : 403)
    }
    expect((await judging(waiting, 'otherAuthor')).replies).toMatchObject([
      { turn: true, grades: [], most: 10, settled: null, rubric: { criteria } },
    ])
    expect(await grade(waiting, 'otherAuthor', 3, 4, 200, ' Say why it matters. ')).toEqual({ over: true })
    const { result } = await attempt(waiting)
    expect(result).toMatchObject({ passed: true, percent: 85, said: [{ questionId: waiting.replyId, words: ['Say why it matters.'] }] })
    expect(result!.marks).toMatchObject([{ verdict: 'partly', points: 3.5, most: 5 }, { verdict: 'right' }])
    expect(await state(waiting)).toBe('done')
    expect(await inbox('otherAuthor', waiting)).toEqual([{ kind: 'to-judge', open: false }])
    expect(await inbox('staff', waiting)).toEqual([{ kind: 'judged', open: false }])
    await grade(waiting, 'otherAuthor', 0, 0, 409)
    expect((await clients.lead.json('get', `/api/quiz-attempts/${waiting.id}/record`)).questions[0]).toMatchObject({
      grades: [{ grader: { name: 'Name of otherAuthor' }, points: { shows: 3, lets: 4 } }],
    })
  })

  it('takes points for each line of its rubric only, no more than there are', async () => {
    const waiting = await handedIn(await quizOf(gradersOf(['otherAuthor'])))
    const give = (points: unknown) =>
      clients.otherAuthor.json('put', `/api/quiz-attempts/${waiting.id}/grades/${waiting.replyId}`, { points, words: '' }, 422)
    for (const points of [
      {},
      { shows: 4 },
      { shows: 5, lets: 1 },
      { shows: -1, lets: 1 },
      { shows: 1.5, lets: 1 },
      { shows: 1, lets: 1, more: 9 },
    ])
      await give(points)
    await clients.otherAuthor.json('put', `/api/quiz-attempts/${waiting.id}/grades/${'x'.repeat(21)}`, { points: {}, words: '' }, 404)
    expect(await state(waiting)).toBe('waiting')
  })

  it('tells the learner nothing of its rubric, before or after', async () => {
    const waiting = await handedIn(await quizOf(gradersOf(['otherAuthor']), { afterFailing: 'which', afterPassing: 'which' }))
    const got = async () => {
      const paths = [
        `/api/quiz-attempts/${waiting.id}`,
        `/api/quizzes/${waiting.quiz}`,
        '/api/inbox',
        '/api/today',
        `/quiz-attempts/${waiting.id}`,
      ]
      return (await Promise.all(paths.map(async (path) => (await clients.staff.send('get', path)).text()))).join('\n')
    }
    expect(await got()).not.toContain(CANARY)
    await grade(waiting, 'otherAuthor', 0, 0)
    expect(await got()).not.toContain(CANARY)
    expect((await attempt(waiting)).result).toMatchObject({ passed: false, percent: 50 })
  })
})

describe('where two judge', () => {
  it('neither sees what the other gave; where they agree, the mean counts', async () => {
    const waiting = await handedIn(await quizOf(gradersOf(['otherAuthor', 'lead'], { two: true })))
    expect(await grade(waiting, 'otherAuthor', 4, 5)).toEqual({ over: false })
    expect((await judging(waiting, 'lead')).replies).toMatchObject([{ turn: true, grades: [] }])
    expect((await judging(waiting, 'otherAuthor')).replies).toMatchObject([{ turn: true, grades: [{ points: { lets: 5 } }] }])
    // Nobody has built on it yet: it may be changed.
    await grade(waiting, 'otherAuthor', 4, 6)
    expect(await toJudge('otherAuthor', waiting)).toEqual([])
    expect(await grade(waiting, 'lead', 4, 5)).toEqual({ over: true })
    expect((await attempt(waiting)).result).toMatchObject({ passed: true, percent: 97 })
    expect((await judging(waiting, 'lead')).replies).toMatchObject([{ turn: false, settled: 9.5, apart: 1, grades: [{}, {}] }])
  })

  it('a third settles it where they do not agree, and sees why', async () => {
    const waiting = await handedIn(await quizOf(gradersOf(['otherAuthor', 'lead'], { two: true, third: company.people.manager })))
    expect(await toJudge('manager', waiting)).toEqual([])
    await grade(waiting, 'otherAuthor', 4, 6)
    await grade(waiting, 'lead', 0, 1)
    expect((await attempt(waiting)).result).toMatchObject({ passed: null })
    expect(await toJudge('manager', waiting)).toMatchObject([{ replies: 1, apart: true }])
    expect((await judging(waiting, 'manager')).replies).toMatchObject([
      { turn: true, apart: 9, grades: [{ points: { shows: 4 } }, { points: { shows: 0 } }] },
    ])
    await grade(waiting, 'lead', 4, 6, 409)
    expect(await grade(waiting, 'manager', 1, 2)).toEqual({ over: true })
    expect((await attempt(waiting)).result).toMatchObject({ passed: false, percent: 65 })
  })

  it('nobody judges their own reply, and who owns the quiz stands in where nobody else is left', async () => {
    const waiting = await handedIn(await quizOf(gradersOf(['staff', 'outsider'], { two: true })))
    expect(await toJudge('outsider', waiting)).toHaveLength(1)
    await grade(waiting, 'staff', 4, 6, 403)
    await grade(waiting, 'outsider', 4, 6)
    expect(await toJudge('author', waiting)).toHaveLength(1)
    expect(await grade(waiting, 'author', 4, 6)).toEqual({ over: true })
    expect((await attempt(waiting)).result).toMatchObject({ passed: true, percent: 100 })
  })
})

it('a grader who has left is followed by the others, and by those whom a new edition names', async () => {
  const left = async (who: Who, active: boolean) => server.services.changePerson(company.people[who], { active }, server.clock.now)
  const quiz = await quizOf(gradersOf(['outsider']))
  const waiting = await handedIn(quiz)
  await left('outsider', false)
  expect(await toJudge('author', waiting)).toHaveLength(1)
  expect(await inbox('outsider', waiting)).toEqual([{ kind: 'to-judge', open: false }])
  await left('outsider', true)
  expect(await toJudge('author', waiting)).toEqual([])
  const { document, revision } = await clients.author.json('get', `/api/quizzes/${quiz}/draft`)
  const naming = (people: readonly PersonId[]) => ({ ...document, graders: { people, two: false, third: null } })
  await clients.author.json('put', `/api/quizzes/${quiz}/draft`, { revision, document: naming([company.people.lead]) })
  await clients.lead.json('post', `/api/quizzes/${quiz}/editions`, { revision: revision + 1, changeNote: '', again: false })
  expect(await toJudge('lead', waiting)).toHaveLength(1)
  await left('outsider', true)
  clients.outsider = await company.as('outsider')
  expect(await toJudge('outsider', waiting)).toEqual([])
  expect(await grade(waiting, 'lead', 4, 6)).toEqual({ over: true })
})

it('who judges has to work here, and is named once', async () => {
  const graders = (people: readonly PersonId[]) => ({ people, two: true, third: null })
  const { document } = await clients.author.json('get', `/api/quizzes/${await quizOf(gradersOf(['lead']))}/draft`)
  const { lead } = company.people
  const parts = asking(reply())
  for (const people of [[lead, lead], ['x'.repeat(21) as PersonId]])
    await clients.author.json('post', '/api/quizzes', { document: { ...document, parts, graders: graders(people) } }, 422)
  const { id } = await clients.author.json('post', '/api/quizzes', { document: { ...document, parts, graders: graders([lead]) } })
  expect((await clients.author.json('get', `/api/quizzes/${id}/draft`)).findings).toMatchObject([
    { stops: true, words: expect.stringContaining('Two are to judge') },
  ])
  await clients.lead.json('post', `/api/quizzes/${id}/editions`, { revision: 1, changeNote: '', again: false }, 409)
})
