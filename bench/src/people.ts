import pg from 'pg'
import puppeteer from 'puppeteer-core'
import { DEMO_PASSWORD } from '@jackdaw/demo'
import { belonging, manyPeople, type AudienceRule } from '@jackdaw/core/audiences'
import type { PersonFacts } from '@jackdaw/core/people'
import { addDays, seededIds, seededRandom, type GroupId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { get, type Running, type Session } from './server'

/** Fills a database with people in groups and under managers, seven under each, beside those who are there.
 * @returns how many there are then */
export async function fillPeople(databaseUrl: string, people: number, groups: number): Promise<void> {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const id = (kind: string, n: string) => `substr(md5('${kind}' || (${n})), 1, 21)`
  await client.query(`
    insert into people_group (id, kind_id, name, created_at) select ${id('group', 'n')}, case when n % 2 = 0 then 'team' else 'role' end, 'Bench group ' || n, timestamptz '2026-01-01' from generate_series(1, ${groups}) n;
    insert into person (id, name, mail, password_hash, level, permissions, site_id, manager_id, active, created_at, changed_at, number, job_title, started_on, sought)
      select ${id('hand', 'n')}, x.name, 'hand' || n || '@bench.example', 'x', 'staff', '{}', s.id, case when n = 1 then null else ${id('hand', '(n + 5) / 7')} end, true, timestamptz '2026-01-01', timestamptz '2026-01-01',
        'H' || n, 'Packer', date '2020-01-01' + (n % 2300), plain(x.name || ' Packer H' || n)
      from generate_series(1, ${people}) n
      cross join lateral (select (array['Ada','Bram','Łucja','Zoë','Ímar','Nerea','Owen','Paulina','Rosa','Żaneta'])[1 + n % 10] || ' ' || (array['Ashdown','Brzezicka','Górska','Hallam','Iglesias','Kettering','Okafor'])[1 + n % 7] || 'son ' || n as name) x
      cross join (select id from people_group where kind_id = 'site' order by id limit 1) s;
    insert into membership (person_id, group_id, since) select ${id('hand', 'n')}, ${id('group', `1 + (n * 31 + k * 97) % ${groups}`)}, timestamptz '2026-01-01' from generate_series(1, ${people}) n cross join generate_series(1, 3) k on conflict do nothing;
    insert into membership (person_id, group_id, since) select ${id('hand', 'n')}, s.id, timestamptz '2026-01-01' from generate_series(1, ${people}) n cross join (select id from people_group where kind_id = 'site' order by id limit 1) s;`)
  await client.query('vacuum analyze')
  await client.end()
}

/** Rules as a lead writes them: some groups, some managers, turned round, with exceptions. */
export function rulesOf(count: number, groups: readonly GroupId[], people: readonly PersonId[]): AudienceRule[] {
  const random = seededRandom(15)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  return Array.from({ length: count }, (_, n): AudienceRule => ({
    join: n % 4 === 0 ? 'all' : 'any',
    of: [
      { asks: 'group', groups: [pick(groups), pick(groups)] },
      ...(n % 4 === 0 ? [{ asks: 'group' as const, groups: [pick(groups)], not: true as const }] : []),
      ...(n % 3 === 0 ? [{ asks: 'manager' as const, people: [pick(people)] }] : []),
      ...(n % 7 === 0 ? [{ asks: 'started-within' as const, days: 90 }] : []),
    ],
    except: n % 5 === 0 ? [pick(people)] : [],
    asOf: null,
  }))
}

/** All rules of all people from nothing, in memory. @returns milliseconds, and how many belong to all audiences together */
export function fromNothing(size: number, ruleCount: number): { ms: number; members: number } {
  const ids = seededIds(4)
  const random = seededRandom(9)
  const groups = Array.from({ length: 300 }, () => ids<GroupId>())
  const people: PersonFacts[] = []
  for (let n = 0; n < size; n++)
    people.push({
      id: ids<PersonId>(),
      groups: Array.from({ length: 4 }, () => groups[Math.floor(random() * 300)]!),
      managerId: n === 0 ? null : people[Math.floor((n - 1) / 7)]!.id,
      level: 'staff',
      startedOn: addDays('2020-01-01' as LocalDate, n % 2_300),
    })
  const rules = rulesOf(
    ruleCount,
    groups,
    people.slice(0, 2_000).map(({ id }) => id),
  )
  const from = performance.now()
  const many = manyPeople(people, '2026-03-01' as LocalDate)
  let members = 0
  for (const rule of rules) members += many.at(belonging(rule, many)).length
  return { ms: performance.now() - from, members }
}

/** Writes audiences into a database, without asking who belongs to them. */
export async function fillAudiences(databaseUrl: string, count: number): Promise<void> {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const groups = (await client.query<{ id: GroupId }>("select id from people_group where name like 'Bench group%' order by id")).rows.map(
    (row) => row.id,
  )
  const people = (await client.query<{ id: PersonId }>("select id from person where mail like 'hand%' order by id limit 2000")).rows.map(
    (row) => row.id,
  )
  const rules = rulesOf(count, groups, people)
  // What the demo gives to everybody would be given to all of these first: that is another thing to measure.
  await client.query('delete from giving')
  await client.query(
    `insert into audience (id, name, rule, created_by, created_at, changed_at)
     select substr(md5('audience' || n), 1, 21), 'Bench audience ' || n, rule, (select id from person where level = 'admin' limit 1), timestamptz '2026-01-01', timestamptz '2026-01-01'
     from jsonb_array_elements($1::jsonb) with ordinality x (rule, n)`,
    [JSON.stringify(rules)],
  )
  await client.end()
}

/** Sends what changes something. */
export const change = async (app: Running, session: Session, method: string, path: string, body: unknown): Promise<void> => {
  const response = await fetch(app.address + path, {
    method,
    headers: { cookie: session.cookie, 'x-csrf-token': session.csrf, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`)
}

/** Has a job done now, and waits until it is. @returns milliseconds */
export async function jobTime(app: Running, admin: Session, client: pg.Client, name: string): Promise<number> {
  const from = performance.now()
  await change(app, admin, 'POST', '/api/jobs', { name })
  for (;;) {
    const { rows } = await client.query<{ state: string }>(
      "select state::text from jobs.job where data->>'name' = $1 order by created_on desc limit 1",
      [name],
    )
    if (rows[0]?.state === 'completed') return performance.now() - from
    if (rows[0]?.state === 'failed') throw new Error('the job failed')
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
}

/** Waits until nothing is left to be done of what a server finds to do when it begins. */
export async function jobsDone(databaseUrl: string): Promise<void> {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  for (;;) {
    const { rows } = await client.query<{ n: number }>(
      "select count(*)::int as n from jobs.job where state in ('created', 'active', 'retry')",
    )
    if (rows[0]!.n === 0) break
    await new Promise((resolve) => setTimeout(resolve, 250))
  }
  await client.end()
}

/** Has all audiences asked anew of everybody by the job, in the database. @returns milliseconds, and how many belong to them */
export async function rebuildTime(app: Running, admin: Session, databaseUrl: string): Promise<{ ms: number; members: number }> {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  const ms = await jobTime(app, admin, client, 'rebuild-audiences')
  const { rows } = await client.query<{ n: number }>('select count(*)::int as n from audience_member')
  await client.end()
  return { ms, members: rows[0]!.n }
}

/** Moves people between groups, one request each. @returns milliseconds of each, sorted */
export async function moverTimes(app: Running, lead: Session, count: number): Promise<number[]> {
  const groups = await get<{ id: string; name: string }[]>(app.address, lead, '/api/group-list')
  const group = groups.find(({ name }) => name.startsWith('Bench group'))!.id
  const list: number[] = []
  for (let n = 0; n < count; n++) {
    const { rows } = await get<{ rows: { id: string }[] }>(app.address, lead, `/api/directory?find=H${900 + n * 13}`)
    const from = performance.now()
    await change(app, lead, 'POST', `/api/groups/${group}/members`, { join: [rows[0]!.id], leave: [] })
    list.push(performance.now() - from)
  }
  return list.sort((a, b) => a - b)
}

/** Finds people as somebody types their names, letter by letter. @returns milliseconds of each request, sorted */
export async function findTimes(app: Running, lead: Session, rounds: number): Promise<number[]> {
  const names = ['lucja gorska', 'ŻANETA', 'okaforson 4', 'Zoe Ash', 'packer h123', 'imar', 'son 77']
  const list: number[] = []
  for (let round = 0; round < rounds; round++)
    for (const name of names)
      for (let length = 1; length <= name.length; length++) {
        const from = performance.now()
        await get(app.address, lead, `/api/directory?find=${encodeURIComponent(name.slice(0, length))}`)
        list.push(performance.now() - from)
      }
  return list.sort((a, b) => a - b)
}

/** Takes people in from a file of so many lines, a third of whom are there already under another job title.
 * @returns milliseconds of looking what it does and of taking it in */
export async function importTimes(app: Running, lead: Session, lines: number): Promise<{ lookMs: number; takeMs: number; said: string }> {
  const groups = await get<{ id: string; kind: string; name: string }[]>(app.address, lead, '/api/group-list')
  const site = groups.find(({ kind }) => kind === 'site')!.id
  const file = ['No;Name;Job title;Team;Reports to;Start date']
  for (let n = 0; n < lines; n++)
    file.push(
      n % 3 === 0
        ? `H${n + 1};;Line hand;;;`
        : `N${n};Newcomer ${n};Packer;Bench crew ${n % 60};${n % 7 === 1 ? 'H1' : `N${n - (n % 7) + 1 + (n % 3 === 0 ? 1 : 0)}`};4.1.2026`,
    )
  const send = async (path: string, more: Record<string, string>) => {
    const response = await fetch(`${app.address}/api/people-files${path}?${new URLSearchParams({ site, newGroups: 'yes', ...more })}`, {
      method: 'POST',
      headers: { cookie: lead.cookie, 'x-csrf-token': lead.csrf, 'content-type': 'application/octet-stream' },
      body: file.join('\n'),
    })
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`)
    return (await response.json()) as { seen: string; counts: object; wrong: { faults: unknown[] }[] }
  }
  const from = performance.now()
  const { seen, counts } = await send('/preview', {})
  const lookMs = performance.now() - from
  const takeFrom = performance.now()
  await send('', { seen, invite: 'not-yet', withoutWrong: 'yes' })
  return { lookMs, takeMs: performance.now() - takeFrom, said: JSON.stringify(counts) }
}

/** The org chart with everybody open. @returns milliseconds until it is drawn: of opening the page, and of opening all branches */
export async function chartTimes(app: Running): Promise<{ openMs: number; allMs: number; people: number }> {
  const browser = await puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
  })
  const page = await browser.newPage()
  await page.setViewport({ width: 1280, height: 800 })
  await page.goto(`${app.address}/sign-in`)
  await page.locator('input[autocomplete=username]').fill('marta@larkmoor.example')
  await page.locator('input[type=password]').fill(DEMO_PASSWORD)
  await page.keyboard.press('Enter')
  await page.waitForFunction(() => document.querySelector('[data-today]') !== null)
  const openFrom = performance.now()
  await page.goto(`${app.address}/people/chart`)
  await page.waitForFunction(() => document.querySelectorAll('[role=treeitem]').length > 5)
  const openMs = performance.now() - openFrom
  const height = () => page.$eval('[role=tree]', (tree) => Number(tree.getAttribute('height')))
  const before = await height()
  const allFrom = performance.now()
  await page.locator('::-p-text(Open all)').click()
  await page.waitForFunction((was) => Number(document.querySelector('[role=tree]')?.getAttribute('height')) > was, {}, before)
  await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))))
  const allMs = performance.now() - allFrom
  const people = await page.evaluate(async () => ((await (await fetch('/api/org-chart')).json()) as { people: unknown[] }).people.length)
  await browser.close()
  return { openMs, allMs, people }
}
