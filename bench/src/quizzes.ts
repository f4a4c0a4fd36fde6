import pg from 'pg'
import { seededRandom } from '@jackdaw/core/shared'
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

/** One person's attempt: ten questions in about 75 seconds, each answered and changed twice: faster than anybody reads. @returns what each saving took, and what was answered last */
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
      await pause(((1_000 + random() * 3_000) * seconds) / 30)
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
 * @param seconds 30 for that pace, fewer for a faster one @returns what savings and handing in took, in milliseconds; how many answers were answered with 200, and how many of them are not in the database */
async function quizLoad(databaseUrl: string, seconds: number) {
  await scaleUp(databaseUrl, 14)
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

const ATTEMPTS = 5_000
const QUESTIONS = 40
/** Fills a quiz with attempts at so many questions of its bank. Who is able has more of them right. */
const FILL = `
  with quiz as (select i.id, i.edition, e.bytes::jsonb as said from item i join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition where i.kind = 'quiz' and i.id = $1),
  asked as (select q.value ->> 'id' as id, row_number() over () as n from quiz, jsonb_array_elements(said #> '{pools,0,questions}') q limit ${QUESTIONS}),
  attempts as (
    insert into quiz_attempt (id, quiz_id, edition, person_id, number, seed, drawn, language, opened_at, ended_at, ended, rules, points, most, percent, passed, right_count, counted, active_ms)
    select substr(md5('attempt' || n), 1, 21), quiz.id, quiz.edition, (select id from person where mail like 'copy%' order by id offset n % 200 limit 1), 1000 + n, n, (select array_agg(id order by asked.n) from asked), 'en',
      now() - n * interval '1 minute', now() - n * interval '1 minute' + interval '9 minutes', 'handed-in', 1, n % ${QUESTIONS}, ${QUESTIONS}, n % ${QUESTIONS} * 100 / ${QUESTIONS}, n % ${QUESTIONS} > 30, n % ${QUESTIONS}, ${QUESTIONS}, 400000
    from quiz, generate_series(1, ${ATTEMPTS}) n returning id, number)
  insert into quiz_answer (attempt_id, question_id, answer, revision, saved_at, active_ms, verdict, points, most, choices)
  select a.id, k.id, '{"kind": "text", "answer": {"words": "x"}}', 1, now(), 1000 + (a.number * 37 + k.n * 911) % 60000, case when r.is then 'right' else 'wrong' end, r.is::int, 1,
    array[case when r.is then 'key' else 'wrong-' || (a.number * k.n) % 3 end]
  from attempts a cross join asked k cross join lateral (select (a.number * 7919 + k.n * 104729) % ${QUESTIONS} < a.number % ${QUESTIONS} as is) r`

/** What the page with the analysis of so many attempts at so many questions takes, in milliseconds, several times over. */
async function analysisTimes(databaseUrl: string): Promise<number[]> {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const app = await startServer(databaseUrl)
  const lead = await signIn(app.address, 'marta@larkmoor.example')
  const quiz = (await get<{ id: string; title: string }[]>(app.address, lead, '/api/quizzes')).find(({ title }) => title === TITLE)!.id
  await client.query(FILL, [quiz])
  await client.query('vacuum analyze')
  await client.end()
  const times: number[] = []
  for (let n = 0; n < 5; n++) {
    const from = performance.now()
    const { attempts } = await get<{ attempts: number }>(app.address, lead, `/api/quizzes/${quiz}/analysis?counted=all`)
    times.push(performance.now() - from)
    if (attempts < ATTEMPTS) throw new Error(`only ${attempts} attempts`)
  }
  await app.stop()
  return times
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
  say(`\nAnalysis of ${ATTEMPTS} attempts at ${QUESTIONS} questions (under 1 s):`)
  line(
    'the page, five times',
    (await analysisTimes(url('quizzes'))).sort((a, b) => a - b),
  )
}
