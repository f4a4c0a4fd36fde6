import pg from 'pg'
import { analyse, type JudgedAttempt } from '@jackdaw/core/quizzes'
import { seededRandom, type QuestionId } from '@jackdaw/core/shared'
import { scaleUp } from './scale'
import { get, signIn, startServer, type Session } from './server'

const PEOPLE = 200
const TITLE = 'On the floor: ten questions'

type Asked = {
  id: string
  kind: string
  ask: { options?: { id: string }[]; entries?: { id: string }[]; left?: { id: string }[]; right?: { id: string }[] }
}
/** Something that can be answered to a question; whether it is right does not matter here. */
function someAnswer({ kind, ask }: Asked, random: () => number): unknown {
  const one = (list: { id: string }[] = []) => list[Math.floor(random() * list.length)]?.id ?? ''
  switch (kind) {
    case 'one':
      return { option: one(ask.options) }
    case 'several':
      return { options: [one(ask.options)] }
    case 'true-false':
      return { value: random() < 0.5 }
    case 'order':
      return { order: ask.entries?.map(({ id }) => id) ?? [] }
    case 'match':
      return { pairs: ask.left?.map(({ id }) => [id, one(ask.right)]) ?? [] }
    default:
      return { words: String(Math.round(random() * 50)) }
  }
}

type Send = (session: Session, method: string, path: string, body?: unknown) => Promise<{ status: number; ms: number; body: unknown }>
const sender =
  (address: string): Send =>
  async (session, method, path, body) => {
    const from = performance.now()
    const response = await fetch(address + path, {
      method,
      headers: { 'content-type': 'application/json', cookie: session.cookie, 'x-csrf-token': session.csrf },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
    const answered: unknown = response.status === 204 ? undefined : await response.json()
    return { status: response.status, ms: performance.now() - from, body: answered }
  }
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** One person's attempt: ten questions, each answered and changed twice, at a hurried person's pace. @returns what each saving took, and what was answered last */
async function takes(send: Send, session: Session, quiz: string, seconds: number, seed: number) {
  const random = seededRandom(seed)
  const saved: number[] = []
  const last = new Map<string, string>()
  await pause(random() * 2_000)
  const begun = await send(session, 'POST', `/api/quizzes/${quiz}/attempts`)
  if (begun.status !== 200) throw new Error(`begin: ${begun.status} ${JSON.stringify(begun.body)}`)
  const { attemptId } = begun.body as { attemptId: string }
  const { questions } = (await send(session, 'GET', `/api/quiz-attempts/${attemptId}`)).body as { questions: Asked[] }
  for (const question of questions)
    for (let revision = 0; revision < 3; revision++) {
      await pause(((500 + random() * 1_000) * seconds) / 30)
      const answer = { kind: question.kind, answer: someAnswer(question, random) }
      const { status, ms } = await send(session, 'PUT', `/api/quiz-attempts/${attemptId}/answers/${question.id}`, {
        answer,
        revision,
        activeMs: 900,
      })
      if (status !== 200) throw new Error(`save: ${status}`)
      saved.push(ms)
      last.set(`${attemptId} ${question.id}`, JSON.stringify(answer))
    }
  const { ms: handedIn } = await send(session, 'POST', `/api/quiz-attempts/${attemptId}/hand-in`)
  return { saved, last, handedIn }
}

/** Two hundred people in one timed quiz at once.
 * @param seconds about how long each of them takes @returns what savings and handing in took, in milliseconds; how many answers were answered with 200, and how many of them are not in the database */
async function quizLoad(databaseUrl: string, seconds: number) {
  await scaleUp(databaseUrl, 10)
  const app = await startServer(databaseUrl)
  const lead = await signIn(app.address, 'marta@larkmoor.example')
  const quiz = (await get<{ id: string; title: string }[]>(app.address, lead, '/api/quizzes')).find(({ title }) => title === TITLE)!.id
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const { rows } = await client.query<{ mail: string }>(
    "select p.mail from assignment a join person p on p.id = a.person_id where a.item_id = $1 and p.active and p.mail like 'copy%' order by p.mail limit $2",
    [quiz, PEOPLE],
  )
  const sessions: Session[] = []
  for (const { mail } of rows) sessions.push(await signIn(app.address, mail))
  const all = await Promise.all(sessions.map((session, n) => takes(sender(app.address), session, quiz, seconds, n + 1)))
  const stored = await client.query<{ place: string; answer: unknown }>(
    "select attempt_id || ' ' || question_id as place, answer from quiz_answer where saved_at > now() - interval '1 hour'",
  )
  const there = new Map(stored.rows.map(({ place, answer }) => [place, answer]))
  const given = all.flatMap(({ last }) => [...last])
  const same = ([place, answer]: [string, string]) => {
    const found = there.get(place) as { kind: string; answer: unknown } | undefined
    return found !== undefined && JSON.stringify({ kind: found.kind, answer: found.answer }) === answer
  }
  const lost = given.filter((each) => !same(each)).length
  await client.end()
  await app.stop()
  return {
    people: sessions.length,
    saved: all.flatMap(({ saved }) => saved),
    handedIn: all.map(({ handedIn }) => handedIn),
    given: given.length,
    lost,
  }
}

/** What analysing so many attempts at so many questions takes, in milliseconds. */
function analysisTime(attempts = 5_000, questions = 40): number {
  const random = seededRandom(17)
  const made: JudgedAttempt[] = Array.from({ length: attempts }, (_, n) => {
    const ability = random()
    return {
      ...{ personId: String(n), number: 1, passed: ability > 0.5, percent: Math.round(ability * 100) },
      answers: Array.from({ length: questions }, (_question, q) => {
        const right = random() < 0.2 + 0.7 * ability
        return {
          ...{
            questionId: `question-${q}` as QuestionId,
            points: right ? 1 : 0,
            most: 1,
            verdict: right ? ('right' as const) : ('wrong' as const),
          },
          ...{ activeMs: Math.round(random() * 60_000), choices: [right ? 'key' : `wrong-${Math.floor(random() * 3)}`] },
        }
      }),
    }
  })
  const from = performance.now()
  analyse(
    made,
    made.map(({ passed }) => (passed ? 1 : null)),
  )
  return performance.now() - from
}

type Databases = { url: (name: string) => string; sql: (statement: string) => void }
/** Many in one timed quiz at once, and the analysis of many attempts. @param line says what a list of milliseconds comes to */
export async function measureQuizzes(
  { url, sql }: Databases,
  seconds: number,
  say: (line: string) => void,
  line: (name: string, list: readonly number[]) => void,
): Promise<void> {
  sql('create database quizzes template demo')
  const { people, saved, handedIn, given, lost } = await quizLoad(url('quizzes'), seconds)
  say(`\n${people} people in one timed quiz at once (saving an answer under 100 ms at the 95th percentile, none lost):`)
  line(
    `saving, ${saved.length} times`,
    saved.sort((a, b) => a - b),
  )
  line(
    'handing in',
    handedIn.sort((a, b) => a - b),
  )
  say(`  ${given} questions were answered; lost: ${lost}`)
  say(`\nAnalysis of 5,000 attempts at 40 questions (under 1 s): ${analysisTime().toFixed(0)} ms`)
}
