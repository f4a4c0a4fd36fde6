import { analyse, type AnsweredQuestion, type JudgedAttempt } from '@jackdaw/core/quizzes'
import type { QuestionId, QuizId } from '@jackdaw/core/shared'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aQuiz, smallCompany, startTestServer, type Client, type Company, type TestServer, type Who } from '../testing/testServer'
import { asking, EVERY_KIND, statements } from './testing'

let server: TestServer
let company: Company
let lead: Client
const questions = [EVERY_KIND[0]!.question, EVERY_KIND[1]!.question, ...statements(2)]
let quiz: QuizId
/** Who is right at which question; two make a second attempt. */
const TAKEN: readonly [Who, number, number, number, number][] = [
  ['staff', 1, 0.5, 0, 1],
  ['manager', 0, 1, 1, 1],
  ['author', 1, 0, 0, 0],
  ['lead', 1, 1, 0, 1],
  ['staff', 1, 1, 1, 1],
  ['author', 1, 1, 1, 1],
]
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  quiz = await aQuiz(server, company, 'author', { parts: asking(...questions), passMark: 100 })
  for (const [who, ...rights] of TAKEN) {
    server.clock.now += 60_000
    const attempt = await server.services.beginQuiz(quiz, company.people[who], 'en', server.clock.now)
    for (const [n, right] of rights.entries()) {
      const { id, kind } = questions[n]!
      const answer = {
        one: { option: right === 1 ? 'option-1' : 'option-0' },
        several: { options: right === 1 ? ['option-1', 'option-2'] : right === 0 ? ['option-0'] : ['option-1'] },
        'true-false': { value: right === 1 },
      }[kind as 'one']
      await server.services.answerQuestion(attempt, id, { kind, answer } as never, 1_000 * (n + 1), server.clock.now)
    }
    await server.services.handInQuiz(attempt, server.clock.now)
  }
})
afterAll(() => server.close())

/** The attempts as the core is given them, straight from what is stored. */
async function stored(first: boolean): Promise<JudgedAttempt[]> {
  const rows = await server.parts.database.rows<
    AnsweredQuestion & { id: string; person: string; n: number; passed: boolean; percent: number }
  >(
    `select a.id, a.person_id as person, a.number as n, a.passed, a.percent, w.question_id as "questionId", w.points, w.most, w.verdict, w.active_ms as "activeMs", w.choices
     from quiz_attempt a join quiz_answer w on w.attempt_id = a.id where a.quiz_id = $1 and (not $2 or a.number = 1)
     order by a.id, array_position(a.drawn, w.question_id)`,
    [quiz, first],
  )
  const attempts = new Map<string, JudgedAttempt & { answers: AnsweredQuestion[] }>()
  for (const { id, person, n, passed, percent, ...answer } of rows) {
    const attempt = attempts.get(id) ?? { personId: person, number: n, passed, percent, answers: [] }
    attempt.answers.push(answer)
    attempts.set(id, attempt)
  }
  return [...attempts.values()]
}

describe('what attempts tell of the questions', () => {
  it.each(['first', 'all'] as const)('is what the core makes of the same attempts: %s', async (counted) => {
    const told = await lead.json('get', `/api/quizzes/${quiz}/analysis?counted=${counted}`)
    const figures = analyse(await stored(counted === 'first'), [])
    expect(told.attempts).toBe(counted === 'first' ? 4 : 6)
    for (const each of figures.questions) {
      const shown = told.questions.find(({ question }: { question: { id: QuestionId } }) => question.id === each.questionId)
      expect(shown).toMatchObject({ asked: each.asked, right: each.right, unanswered: each.unanswered, medianMs: each.medianMs })
      expect([shown.difficulty, shown.discrimination]).toEqual([
        expect.closeTo(each.difficulty, 10),
        each.discrimination && expect.closeTo(each.discrimination, 10),
      ])
      expect(shown.choices.map(({ choice, count }: { choice: string; count: number }) => [choice, count])).toEqual(
        each.choices.map(({ choice, count }) => [choice, count]),
      )
    }
    expect(figures.reliability.known && told.reliability).toEqual({
      by: 'alpha',
      value: expect.closeTo((figures.reliability as { value: number }).value, 10),
    })
    expect(told.toPass).toEqual({ people: 4, passed: 2, mean: 2, byAttempt: [{ attempt: 2, people: 2 }] })
  })
  it('opens to the people behind a figure, as far as their records may be seen', async () => {
    const path = `/api/quizzes/${quiz}/questions/${questions[0]!.id}/answers`
    const names = async (client: Client, query: string) =>
      (await client.json('get', `${path}?${query}`)).rows.map(({ person }: { person: { name: string } }) => person.name).sort()
    expect(await names(lead, 'verdict=right')).toEqual(['Name of author', 'Name of lead', 'Name of staff'])
    expect(await names(lead, 'choice=option-0')).toEqual(['Name of manager'])
    expect(await names(await company.as('manager'), 'verdict=right')).toEqual(['Name of staff'])
    await (await company.as('author')).json('get', path, undefined, 403)
  })
})
