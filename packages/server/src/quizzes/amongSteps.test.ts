import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { QuizAmongSteps, ReaderEdition } from '@jackdaw/contracts/reading'
import type { GuideDocument, GuideQuiz } from '@jackdaw/core/guides'
import type { GuideId, GuideQuizId, QuizAmendmentId, QuizId } from '@jackdaw/core/shared'
import { ticked } from '@jackdaw/core/audiences'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  aGuide,
  aQuiz,
  documentOf,
  smallCompany,
  startTestServer,
  type Client,
  type Company,
  type TestServer,
  type Who,
} from '../testing/testServer'
import { putResultsRight } from './amending/putResultsRight'
import { asking, CANARY, statements } from './testing'

let server: TestServer
let company: Company
const clients = {} as Record<Who, Client>
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  for (const who of ['staff', 'lead', 'author', 'otherAuthor', 'outsider'] as const) clients[who] = await company.as(who)
})
afterAll(() => server.close())

const FORM = 2
const DAY = 86_400_000
const guideQuiz = (quizId: QuizId, need: GuideQuiz['need']): GuideQuiz => ({ kind: 'quiz', id: nanoid<GuideQuizId>(), quizId, need })

/** A guide of three steps with a quiz of two statements behind the first; the quiz is given to nobody by itself. */
async function aGatedGuide(need: GuideQuiz['need'], change: (document: GuideDocument, quiz: GuideQuiz) => GuideDocument = (same) => same) {
  const questions = statements(2)
  const quizId = await aQuiz(server, company, 'lead', { parts: asking(...questions), passMark: 100 }, { given: false })
  const plain = documentOf('Change the filter', 'Close the valve', 'Open the lid', 'Put in the new one')
  const quiz = guideQuiz(quizId, need)
  const [first, ...rest] = plain.items
  const guide = await aGuide(server, company, 'lead', { document: change({ ...plain, items: [first!, quiz, ...rest] }, quiz) })
  return { guideId: guide.id, quizId, questions, quiz, steps: plain.items.map(({ id }) => id) }
}
type Gated = Awaited<ReturnType<typeof aGatedGuide>>

/** Tells what somebody did in a guide; says what is refused, and why. */
async function tell(gated: Pick<Gated, 'guideId'>, doings: readonly [verb: string, part?: string][], way = 'read', who: Who = 'staff') {
  const events = doings.map(([verb, part]) => ({
    ...{ id: uuidV7(), item: { kind: 'guide', id: gated.guideId }, edition: 1, way, verb, occurredAt: server.clock.now },
    ...(part === undefined ? {} : { part }),
    ...(verb === 'step-done' ? { tries: 1, help: 0 } : {}),
    ...(way === 'read' ? {} : { visit: nanoid() }),
  }))
  const { refused } = await clients[who].json<{ refused: { at: number; why: string }[] }>('post', '/api/events', {
    sentAt: server.clock.now,
    events,
  })
  return refused.map(({ at, why }) => [doings[at]![0], why])
}
/** Goes through an attempt. @param wrong how many of the statements are answered wrongly */
async function take({ quizId }: Pick<Gated, 'quizId'>, wrong: number, who: Who = 'staff'): Promise<string> {
  const { attemptId } = await clients[who].json('post', `/api/quizzes/${quizId}/attempts`)
  const { questions } = await clients[who].json<QuizAttempt>('get', `/api/quiz-attempts/${attemptId}`)
  for (const [n, { id }] of questions.entries()) {
    const answer = { kind: 'true-false', answer: { value: n >= wrong } }
    await clients[who].json('put', `/api/quiz-attempts/${attemptId}/answers/${id}`, { answer, revision: 0, activeMs: 5 })
  }
  await clients[who].json('post', `/api/quiz-attempts/${attemptId}/hand-in`)
  return attemptId
}
const reader = (id: GuideId) => clients.staff.json<ReaderEdition>('get', `/api/guides/${id}/reader`)
const among = (id: GuideId) => clients.staff.json<QuizAmongSteps[]>('get', `/api/guides/${id}/editions/1/quizzes`)

describe('a quiz between two steps', () => {
  it('keeps back whoever has not passed it, however the interface is called, and lets on whoever has', async () => {
    const gated = await aGatedGuide('passed')
    const [first, second, third] = gated.steps
    expect((await reader(gated.guideId)).quizzes).toMatchObject([
      {
        guideQuizId: gated.quiz.id,
        quizId: gated.quizId,
        title: 'Water',
        need: 'passed',
        standing: 'not-begun',
        settled: false,
        there: true,
      },
    ])
    const all: [string, string?][] = [
      ['step-viewed', first],
      ['step-viewed', second],
      ['step-confirmed', third],
      ['step-viewed', third],
      ['finished'],
    ]
    const closed = [
      ['step-viewed', 'quiz-not-settled'],
      ['step-confirmed', 'quiz-not-settled'],
      ['step-viewed', 'quiz-not-settled'],
      ['finished', 'steps-not-read'],
    ]
    expect(await tell(gated, all)).toEqual(closed)
    // Neither a claim about the quiz, nor an attempt that was not passed, opens anything.
    expect(await tell(gated, [['step-viewed', gated.quiz.id]])).toEqual([['step-viewed', 'unknown-step']])
    await take(gated, 1)
    expect(await among(gated.guideId)).toMatchObject([{ standing: 'not-passed', settled: false }])
    expect(await tell(gated, all)).toEqual(closed)
    await take(gated, 0)
    expect(await among(gated.guideId)).toMatchObject([{ standing: 'passed', settled: true }])
    expect(await tell(gated, all)).toEqual([])
    expect((await reader(gated.guideId)).progress.finishedEdition).toBe(1)
  })
  it('is one and the same quiz wherever it is taken: whoever passed it before is let on', async () => {
    const quizId = await aQuiz(server, company, 'lead', { parts: asking(...statements(2)), passMark: 100 })
    await take({ quizId }, 0)
    const guide = await aGuide(server, company, 'lead', {
      document: { ...documentOf('Rinse', 'Fill'), items: [guideQuiz(quizId, 'passed'), ...documentOf('Rinse', 'Fill').items] },
    })
    expect((await reader(guide.id)).quizzes).toMatchObject([{ standing: 'passed', settled: true }])
  })
  it('may only have to be handed in, or not be needed at all', async () => {
    const handedIn = await aGatedGuide('handed-in')
    expect(await tell(handedIn, [['step-viewed', handedIn.steps[1]]])).toEqual([['step-viewed', 'quiz-not-settled']])
    const { attemptId } = await clients.staff.json('post', `/api/quizzes/${handedIn.quizId}/attempts`)
    expect(await among(handedIn.guideId)).toMatchObject([{ standing: 'under-way', settled: false }])
    await clients.staff.json('post', `/api/quiz-attempts/${attemptId}/hand-in`)
    expect(await among(handedIn.guideId)).toMatchObject([{ standing: 'not-passed', settled: true }])
    expect(await tell(handedIn, [['step-viewed', handedIn.steps[1]]])).toEqual([])
    const free = await aGatedGuide('nothing')
    expect(
      await tell(
        free,
        free.steps.map((step): [string, string] => ['step-viewed', step]),
      ),
    ).toEqual([])
    expect(await tell(free, [['finished']])).toEqual([])
  })
  it('holds where the guide is watched and practised too', async () => {
    const gated = await aGatedGuide('passed')
    for (const way of ['watch', 'practise']) {
      expect(await tell(gated, [['opened'], ['step-viewed', gated.steps[0]], ['step-viewed', gated.steps[1]], ['finished']], way)).toEqual([
        ['step-viewed', 'quiz-not-settled'],
        ['finished', 'quiz-not-settled'],
      ])
    }
  })
  it('holds on every way of a guide with branches: one that leads around it is open', async () => {
    const gated = await aGatedGuide('passed', (document) => {
      const [first, quiz, second, third] = document.items
      const around = {
        choices: [
          { id: 'on', words: 'Go on', to: 'next' as const },
          { id: 'skip', words: 'I know it', to: third!.id as never },
        ],
      }
      return { ...document, items: [{ ...first!, flow: around } as never, quiz!, second!, third!] }
    })
    const [first, second, third] = gated.steps
    expect(
      await tell(gated, [
        ['step-viewed', first],
        ['step-viewed', second],
      ]),
    ).toEqual([['step-viewed', 'quiz-not-settled']])
    expect(await tell(gated, [['step-viewed', third], ['finished']])).toEqual([])
  })
  it('is taken by whoever may read the guide, and by nobody else; no right answer comes along with the guide', async () => {
    const gated = await aGatedGuide('passed')
    expect(JSON.stringify(await reader(gated.guideId))).not.toContain(CANARY)
    expect((await clients.staff.send('get', `/api/quizzes/${gated.quizId}`)).status).toBe(200)
    expect((await clients.outsider.send('get', `/api/quizzes/${gated.quizId}`)).status).toBe(404)
    expect((await clients.outsider.send('post', `/api/quizzes/${gated.quizId}/attempts`)).status).toBe(404)
    expect((await clients.outsider.send('get', `/api/guides/${gated.guideId}/editions/1/quizzes`)).status).toBe(404)
    // Taken out of the guide, it is theirs no more.
    await clients.lead.json('post', `/api/guides/${gated.guideId}/draft/changes`, {
      ...{ baseRevision: 0, changeSetId: nanoid(), form: FORM },
      changes: [{ type: 'remove-item', itemId: gated.quiz.id }],
    })
    await clients.lead.json('post', `/api/guides/${gated.guideId}/editions`, {
      ...{ revision: 1, changeNote: '', mustReread: false, openToAll: false, due: { kind: 'none' }, tell: false },
      audience: ticked([company.team], []),
    })
    expect((await clients.staff.send('get', `/api/quizzes/${gated.quizId}`)).status).toBe(404)
  })
})

describe('what becomes of the quiz afterwards', () => {
  it('a question that is marked anew opens and closes the gate, with result and record', async () => {
    const gated = await aGatedGuide('passed')
    const attemptId = await take(gated, 1)
    const missed = (await clients.staff.json<QuizAttempt>('get', `/api/quiz-attempts/${attemptId}`)).questions[0]!.id
    const put = async (how: 'voided' | 're-marked') => {
      const { amendmentId } = await clients.lead.json('post', `/api/quizzes/${gated.quizId}/questions/${missed}/amendment`, {
        how,
        reason: 'Its key was wrong.',
      })
      await putResultsRight(server.parts, amendmentId as QuizAmendmentId, server.clock.now, async () => undefined)
    }
    const turn = async () => {
      const { document, revision } = await clients.lead.json('get', `/api/quizzes/${gated.quizId}/draft`)
      for (const part of document.parts) if (part.question.id === missed) part.question.key = { right: !part.question.key.right }
      await clients.lead.json('put', `/api/quizzes/${gated.quizId}/draft`, { revision, document })
    }
    const stands = async () => {
      const { result } = await clients.staff.json<QuizAttempt>('get', `/api/quiz-attempts/${attemptId}`)
      const record = await clients.lead.json('get', `/api/quiz-attempts/${attemptId}/record`)
      const refused = await tell(gated, [['step-viewed', gated.steps[1]]])
      return {
        passed: result!.passed,
        onRecord: record.attempt.passed,
        open: refused.length === 0,
        gate: (await among(gated.guideId))[0]!.settled,
      }
    }
    expect(await stands()).toEqual({ passed: false, onRecord: false, open: false, gate: false })
    await turn()
    await put('re-marked')
    expect(await stands()).toEqual({ passed: true, onRecord: true, open: true, gate: true })
    await turn()
    await put('re-marked')
    expect(await stands()).toEqual({ passed: false, onRecord: false, open: false, gate: false })
  })
  it('an edition that has to be passed again closes it; the archive opens it for everybody', async () => {
    const gated = await aGatedGuide('passed')
    await take(gated, 0)
    const { document, revision } = await clients.lead.json('get', `/api/quizzes/${gated.quizId}/draft`)
    await clients.lead.json('put', `/api/quizzes/${gated.quizId}/draft`, { revision, document: { ...document, words: 'Anew' } })
    await clients.lead.json('post', `/api/quizzes/${gated.quizId}/editions`, { revision: revision + 1, changeNote: '', again: true })
    expect(await among(gated.guideId)).toMatchObject([{ standing: 'not-begun', settled: false }])
    await clients.lead.json('put', `/api/quizzes/${gated.quizId}/archived`, { archived: true }, 204)
    expect(await among(gated.guideId)).toMatchObject([{ settled: true, there: false }])
    expect(await tell(gated, [['step-viewed', gated.steps[1]]])).toEqual([])
  })
  it('counts anew in each round of a guide that is to be gone through every year', async () => {
    const gated = await aGatedGuide('passed')
    await take(gated, 0)
    server.clock.now += DAY
    await server.parts.database.rows("update assignment set round_from = $2 where item_kind = 'guide' and item_id = $1", [
      gated.guideId,
      new Date(server.clock.now),
    ])
    expect(await among(gated.guideId)).toMatchObject([{ standing: 'not-begun', settled: false }])
  })
})

describe('an author', () => {
  const insert = (who: Who, guideId: GuideId, baseRevision: number, item: GuideQuiz, status = 200) =>
    clients[who].json(
      'post',
      `/api/guides/${guideId}/draft/changes`,
      { baseRevision, changeSetId: nanoid(), form: FORM, changes: [{ type: 'insert-item', item, after: null }] },
      status,
    )
  it('puts no quiz into a guide that they may not see, and brings back what stood there', async () => {
    const quizId = await aQuiz(server, company, 'lead', { parts: asking(...statements(2)) }, { given: false })
    const guide = await aGuide(server, company, 'author', { published: false })
    const item = guideQuiz(quizId, 'passed')
    for (const id of [quizId, nanoid<QuizId>()])
      expect(await insert('author', guide.id, 0, { ...item, quizId: id }, 422)).toMatchObject({
        code: 'invalid',
        errors: [{ pointer: '/body/changes/0' }],
      })
    expect(await insert('lead', guide.id, 0, item)).toMatchObject({ revision: 1 })
    await clients.author.json('post', `/api/guides/${guide.id}/draft/changes`, {
      ...{ baseRevision: 1, changeSetId: nanoid(), form: FORM },
      changes: [{ type: 'remove-item', itemId: item.id }],
    })
    expect(await insert('author', guide.id, 2, item)).toMatchObject({ revision: 3 })
  })
  it('is told before publishing that a quiz cannot be taken, and where it stands', async () => {
    const quizId = await aQuiz(server, company, 'lead', { parts: asking(...statements(2)) }, { published: false })
    const guide = await aGuide(server, company, 'lead', { published: false })
    const item = guideQuiz(quizId, 'passed')
    await insert('lead', guide.id, 0, item)
    expect((await clients.lead.json('get', `/api/guides/${guide.id}/publication`)).findings).toEqual([
      { reason: 'quiz-not-there', itemId: item.id, where: '' },
    ])
    const publish = () =>
      clients.lead.send('post', `/api/guides/${guide.id}/editions`, {
        ...{ revision: 1, changeNote: '', mustReread: false, openToAll: true, due: { kind: 'none' }, tell: false },
        audience: ticked([company.team], []),
      })
    expect(await (await publish()).json()).toMatchObject({ code: 'not-publishable' })
    await server.services.publishQuiz(quizId, 1, company.people.lead, server.clock.now)
    expect((await publish()).status).toBe(200)
  })
})
