import pg from 'pg'
import { fillPeople } from './people'
import { get, signIn, startServer, type Running, type Session } from './server'

const PEOPLE = 5_000
const GUIDES = 2_000
/** Of one visit: opened, four steps viewed, time spent at four of them, and finished by three of five. */
const EVENTS_A_VISIT = 9.6

const id = (kind: string, n: string) => `substr(md5('${kind}' || (${n})), 1, 21)`

/** Adds people, and copies of a published guide, all of one owner. */
async function fillCompany(client: pg.Client, databaseUrl: string): Promise<void> {
  await fillPeople(databaseUrl, PEOPLE, 50)
  const copy = (table: string, where: string, changed: string) =>
    client.query(
      `insert into ${table} overriding system value select (jsonb_populate_record(null::${table}, to_jsonb(t) || jsonb_build_object(${changed}))).* from ${table} t cross join generate_series(1, ${GUIDES}) n where ${where}`,
    )
  const one = "(select id from item where kind = 'guide' and number = 1)"
  await copy('guide', `t.id = ${one}`, `'id', ${id('guide', 'n')}, 'number', 100000 + n`)
  await copy('item', `t.id = ${one}`, `'id', ${id('guide', 'n')}, 'number', 100000 + n, 'title', 'Bench guide ' || n, 'edition', 1`)
  await copy(
    'edition',
    `t.item_id = ${one} and t.number = 1`,
    `'item_id', ${id('guide', 'n')}, 'published_at', timestamptz '2025-03-01' + n * interval '4 hours'`,
  )
  await copy(
    'edition_part',
    `t.item_id = ${one} and t.edition = 1 and t.position <= 4`,
    `'item_id', ${id('guide', 'n')}, 'part_id', ${id('part', 't.position')}`,
  )
}

/** A year of visits up to the demo's day: some guides and some people far more than others, and one guide by a tenth of all. */
async function fillEvents(client: pg.Client, from: number, visits: number): Promise<void> {
  await client.query('set session_replication_role = replica')
  await client.query(`
    insert into event (id, schema_version, verb, way, actor_kind, actor_id, subject_kind, subject_id, item_kind, item_id, edition, part_id, visit, active_ms, attested, occurred_at, received_at, local_day)
    select (lpad(to_hex((extract(epoch from v.at + e.after) * 1000)::bigint), 12, '0') || '7' || substr(md5(random()::text), 1, 3) || '8' || substr(md5(random()::text), 1, 15))::uuid, 4, e.verb, 'read', 'person', v.person, 'person', v.person, 'guide', v.guide, 1, e.part, v.visit, e.ms, false, v.at + e.after, v.at + e.after, (v.at + e.after)::date
    from (select ${id('hand', `1 + (abs(hashint4(n)) % ${PEOPLE})`)} as person, case when n % 10 = 0 then ${id('guide', '3')} else ${id('guide', `1 + floor(${GUIDES} * ((abs(hashint4(n + 7)) % 100000) / 100000.0) ^ 2)::int`)} end as guide,
        substr(md5('visit' || n), 1, 21) as visit, timestamptz '2025-03-10 08:00Z' + (abs(hashint4(n + 13)) % 525000) * interval '1 minute', n
      from generate_series(${from + 1}, ${from + visits}) n) v (person, guide, visit, at, n)
    cross join lateral (
      select 'opened', null, 0, interval '0 s'
      union all select 'step-viewed', ${id('part', 'k')}, 0, k * interval '20 s' from generate_series(1, 4) k
      union all select 'time-spent', ${id('part', 'k')}, 15000, k * interval '20 s' + interval '15 s' from generate_series(1, 4) k
      union all select 'finished', null, 0, interval '95 s' where v.n % 5 < 3) e (verb, part, ms, after)`)
  await client.query('set session_replication_role = default')
  await client.query('select keep_event_months(current_date)')
}

const GOAL = 'goal-of-the-benchmark'
const SEARCHES = 100_000
/** A goal from one guide to another, and a year of searches in 1,500 words. */
async function fillGoalAndSearches(client: pg.Client): Promise<void> {
  await client.query(
    `insert into goal (id, name, from_kind, from_id, steps, made_by, made_at)
     select '${GOAL}', 'Bench', 'guide', ${id('guide', '1')}, jsonb_build_array(jsonb_build_object('item', ${id('guide', '1')}, 'withinDays', 30), jsonb_build_object('item', ${id('guide', '2')}, 'withinDays', 90)), p.id, now()
     from person p where p.mail = 'marta@larkmoor.example'`,
  )
  await client.query(
    `insert into search (id, person_id, at, local_day, words, key, found, opened_kind, opened_id)
     select substr(md5('search' || n), 1, 21), ${id('hand', `1 + n % ${PEOPLE}`)}, at, at::date, words, words, n % 7, case when n % 3 > 0 then 'guide' end, case when n % 3 > 0 then ${id('guide', `1 + k % ${GUIDES}`)} end
     from (select n, (1500 * (abs(hashint4(n)) % 1000 / 1000.0) ^ 2)::int as k, timestamptz '2025-03-10 08:00Z' + (n % 365) * interval '1 day' as at from generate_series(1, ${SEARCHES}) n) s
       cross join lateral (select concat(substr(md5('a' || k % 300), 1, 7), ' ', substr(md5('b' || k), 1, 6)) as words) w`,
  )
}

/** Every part of the pages of engagement, a year by week, with and without filters. */
async function partTimes(app: Running, lead: Session, times: number): Promise<[name: string, ms: number[]][]> {
  // The days up to that of the demo, which is not today's.
  const [year, weeks] = ['from=2025-03-11&to=2026-03-10', 'from=2026-02-11&to=2026-03-10']
  const [guides, groups] = await Promise.all([
    get<{ rows: { item: { id: string } }[] }>(app.address, lead, `/api/engagement/items?${year}`),
    get<{ teams: { id: string }[] }>(app.address, lead, '/api/records/groups'),
  ])
  const item = guides.rows[0]!.item.id
  const team = groups.teams[0]!.id
  const { steps } = await get<{ steps: { stepId: string }[] }>(app.address, lead, `/api/guides/${item}/journey?${year}`)
  const second = steps[1]!.stepId
  const parts: [string, string][] = [
    ['over time, a year by week, everything', `over-time?${year}&by=week`],
    ['over time, four weeks beside those before, everything', `over-time?${weeks}&compare=before`],
    ['over time, a year by week, one guide', `over-time?${year}&by=week&item=${item}`],
    ['over time, a year by week, one team', `over-time?${year}&by=week&team=${team}`],
    ['what is used, a year', `items?${year}`],
    ['what is used, four weeks, of one team', `items?${weeks}&team=${team}`],
    ['how long steps take, four weeks', `steps?${weeks}`],
    ['how long steps take, a year', `steps?${year}`],
    ['who uses it, a year', `readers?${year}`],
    ['who writes it, a year', `owners?${year}`],
    ['what happened last', `rows?${year}&figure=acts`],
    ['the views of a year, opened', `rows?${year}&figure=views`],
    ['the people of a year, opened', `rows?${year}&figure=people`],
    ['journey of the most used guide, a year', `../guides/${item}/journey?${year}`],
    ['who left it at its second step, opened', `../guides/${item}/journey/visits?${year}&part=left&step=${second}`],
    ['who left it elsewhere, opened', `../guides/${item}/journey/visits?${year}&part=elsewhere`],
    ['a goal of two steps, a year', `../goals/${GOAL}/result?${year}`],
    ['what was sought, a year', `searches?${year}`],
    ['what others use of what somebody owns, a month', 'own'],
    ['the views of one guide, opened', `rows?${year}&figure=views&item=${item}`],
  ]
  const found: [string, number[]][] = []
  for (const [name, path] of parts) {
    const took: number[] = []
    for (let n = 0; n <= times; n++) {
      const began = performance.now()
      await get(app.address, lead, new URL(path, 'http://x/api/engagement/').href.slice('http://x'.length))
      // The first of them fills caches.
      if (n > 0) took.push(performance.now() - began)
    }
    found.push([name, took.sort((a, b) => a - b)])
  }
  return found
}

type Cluster = { url: (name: string) => string; sql: (statement: string) => void; recount: (name: string) => number }
const NAME = 'engagement'

/** What the figures of engagement take with ever more events. @param line says a list of times, sorted */
export async function measureEngagement(
  { url, sql, recount }: Cluster,
  quick: boolean,
  say: (words: string) => void,
  line: (name: string, list: readonly number[]) => void,
): Promise<void> {
  sql(`create database ${NAME} template demo`)
  const client = new pg.Client(url(NAME))
  await client.connect()
  await fillCompany(client, url(NAME))
  await fillGoalAndSearches(client)
  let visits = 0
  for (const scale of [100_000, 1_000_000, ...(quick ? [] : [10_000_000])]) {
    const wanted = Math.round(scale / EVENTS_A_VISIT)
    await fillEvents(client, visits, wanted - visits)
    visits = wanted
    const recountMs = recount(NAME)
    await client.query('vacuum analyze')
    const { rows } = await client.query<{ events: number; days: number }>(
      'select (select count(*)::int from event) as events, (select count(*)::int from use_day) as days',
    )
    const app = await startServer(url(NAME))
    const lead = await signIn(app.address, 'marta@larkmoor.example')
    say(
      `\nEngagement, ${rows[0]!.events.toLocaleString('en')} events, ${rows[0]!.days.toLocaleString('en')} days of use, ${PEOPLE.toLocaleString('en')} people, ${GUIDES.toLocaleString('en')} guides (each part p95 under 300 ms, all counted anew under 10 min: ${(recountMs / 1_000).toFixed(0)} s):`,
    )
    for (const [name, list] of await partTimes(app, lead, quick ? 10 : 40)) line(name, list)
    await app.stop()
  }
  await client.end()
}
