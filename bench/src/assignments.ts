import pg from 'pg'
import { ticked } from '@jackdaw/core/audiences'
import type { GroupId } from '@jackdaw/core/shared'
import { bareRoute } from './bareRoute'
import { watchStolen } from './machine'
import { openLoad } from './openLoad'
import { change, jobTime } from './people'
import { get, type Running, type Session } from './server'

export { simulationTime } from './plans'

/** The items that are given, beside those of the demo. */
const ITEMS = 40
const itemId = (n: string): string => `substr(md5('bench item' || (${n})), 1, 21)`

/** Gives each of many people some of 40 items, due around today, and all of them to one; and all of them, to be done, to a team that nobody is in.
 * @returns how many lines there are, and the team */
export async function fillAssignments(databaseUrl: string, each: number, all: string): Promise<{ lines: number; team: GroupId }> {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const { rows } = await client.query<{ id: GroupId }>("select id from people_group where name = 'Bench group 2'")
  const team = rows[0]!.id
  await client.query('delete from membership where group_id = $1', [team])
  await client.query(`
    insert into item (kind, id, number, title, edition, required_edition, parts, minutes, claim_suffices, open_to_all)
      select 'guide', ${itemId('n')}, 10000 + n, 'Bench item ' || n, 1, 1, 8, 3, true, false from generate_series(1, ${ITEMS}) n;
    insert into edition (item_kind, item_id, number, revision, bytes, hash, change_note, must_reread, parts, minutes, published_by, published_at)
      select 'guide', ${itemId('n')}, 1, 0, '{}', 'x', '', false, 8, 3, (select id from person where mail = '${all}'), timestamptz '2026-01-01' from generate_series(1, ${ITEMS}) n;
    insert into assignment (id, person_id, item_kind, item_id, assigned_at, use, due_on, due_zone, due_at)
      select substr(md5('bench line' || p.n || ' ' || k), 1, 21), p.id, 'guide', ${itemId(`1 + (p.n * 7 + k) % ${ITEMS}`)}, now() - interval '60 days', 'to-do', d.day, 'Europe/London', d.day + interval '1 day'
      from (select id, row_number() over (order by id) as n from person where active and mail <> '${all}') p cross join generate_series(1, ${each}) k
      cross join lateral (select current_date + ((p.n * 13 + k * 5) % 40 - 12)::int as day) d;
    insert into assignment (id, person_id, item_kind, item_id, assigned_at, use, due_on, due_zone, due_at)
      select substr(md5('bench line of one' || n), 1, 21), p.id, 'guide', ${itemId('n')}, now() - interval '60 days', 'to-do', current_date + (n % 20), 'Europe/London', current_date + (n % 20) + interval '1 day'
      from generate_series(1, ${ITEMS}) n cross join (select id from person where mail = '${all}') p on conflict do nothing;`)
  await client.query(
    `insert into audience (id, name, rule, created_by, created_at, changed_at) select substr(md5('bench audience of forty'), 1, 21), 'Forty', $1, p.id, now(), now() from person p where mail = '${all}'`,
    [JSON.stringify(ticked([team], []))],
  )
  await client.query(`
    insert into giving (id, item_kind, item_id, audience_id, publishing, use, due, given_by, given_at)
      select substr(md5('bench giving' || n), 1, 21), 'guide', ${itemId('n')}, substr(md5('bench audience of forty'), 1, 21), false, 'to-do', '{"kind":"days","days":14}', p.id, now()
      from generate_series(1, ${ITEMS}) n cross join (select id from person where mail = '${all}') p`)
  await client.query('vacuum analyze')
  const counted = await client.query<{ lines: number }>('select count(*)::int as lines from assignment')
  await client.end()
  return { lines: counted.rows[0]!.lines, team }
}

/** Has everybody reminded of what is due, at whatever hour. @returns milliseconds of the job, and how many reminders it sent */
export async function remindTime(app: Running, admin: Session, databaseUrl: string): Promise<{ ms: number; sent: number }> {
  const { reminders, mail } = await get<{ reminders: object; mail: object }>(app.address, admin, '/api/reminders')
  await change(app, admin, 'PUT', '/api/reminders', { reminders, mail: { ...mail, quietFrom: 0, quietUntil: 0 } })
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const counted = async () => (await client.query<{ n: number }>('select count(*)::int as n from reminder')).rows[0]!.n
  await client.query('truncate reminder')
  const ms = await jobTime(app, admin, client, 'remind')
  const sent = await counted()
  await client.end()
  return { ms, sent }
}

/** Moves people into a team that is given 40 items, and out again: each request gives them, or takes them away. @returns milliseconds of each, sorted */
export async function movesWithForty(app: Running, lead: Session, team: GroupId, count: number): Promise<number[]> {
  const list: number[] = []
  for (let n = 0; n < count; n++) {
    const { rows } = await get<{ rows: { id: string }[] }>(app.address, lead, `/api/directory?find=H${900 + n * 13}`)
    for (const moved of [
      { join: [rows[0]!.id], leave: [] },
      { join: [], leave: [rows[0]!.id] },
    ]) {
      const from = performance.now()
      await change(app, lead, 'POST', `/api/groups/${team}/members`, moved)
      list.push(performance.now() - from)
    }
  }
  return list.sort((a, b) => a - b)
}

const inMs = (n: number): string => `${n.toFixed(1).padStart(8)} ms`
/** Asks for the Today of somebody who has 40 items, and for a bare route beside it, 100 times a second each. */
export async function todayLoad(
  app: Running,
  who: Session,
  databaseUrl: string,
  seconds: number,
  say: (line: string) => void,
): Promise<void> {
  const bare = await bareRoute(databaseUrl)
  const both = [
    { name: 'Today', address: app.address, cookie: who.cookie, path: () => '/api/today' },
    { name: 'bare route', address: bare.address, cookie: '', path: () => '/' },
  ]
  // A server that has been at it for a while: what it runs often has been compiled.
  await openLoad(both, 100, seconds / 3)
  await openLoad(both, 200, seconds / 3)
  const stolen = watchStolen()
  const loaded = await openLoad(both, 200, seconds)
  const share = `${Math.round(stolen() * 100)} % of the processors taken away meanwhile`
  say(`\nToday with 40 items, at 100 requests a second (p95 under 60 ms; ${share}):`)
  for (const [name, { p50, p95, max, failed }] of loaded)
    say(`  ${name.padEnd(14)} p50 ${inMs(p50)}  p95 ${inMs(p95)}  max ${inMs(max)}, ${failed} failed`)
  bare.close()
}
