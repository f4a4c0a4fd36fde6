import { createHash } from 'node:crypto'
import { rm } from 'node:fs/promises'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { migrateDown, migrateUp, openDatabase, type Database } from './db'
import { recount } from './events'
import { entriesOf, storedThen, type StoredThen } from './testing/storedThen'
import { Client, startTestServer, type TestServer } from './testing/testServer'

let then: StoredThen
let server: TestServer
let lead: Client
let clerk: Client
type Edition = { bytes: string; hash: string }
let editionsThen: Edition[]
const editionsIn = (database: Database) => database.rows<Edition>('select bytes, hash from edition order by hash')

beforeAll(async () => {
  then = await storedThen()
  const database = openDatabase(then.databaseUrl, 2)
  editionsThen = await editionsIn(database)
  await migrateUp(database)
  await database.close()
  server = await startTestServer({ ...then, clock: { now: then.now } })
  // Whoever reads everything also manages the company's settings.
  await server.parts.database.rows(`update person set permissions = permissions || array['company.settings'] where mail = $1`, [
    then.requests.mails.lead,
  ])
  lead = await new Client(server.address).signIn(then.requests.mails.lead, then.requests.password)
  clerk = await new Client(server.address).signIn(then.requests.mails.clerk, then.requests.password)
})
afterAll(async () => {
  await server.close()
  await rm(then.storageDir, { recursive: true, force: true })
})

/** What is counted, in an order of its own. */
async function counted(): Promise<string[]> {
  const tables = ['item_progress', 'part_progress', 'way_use', 'way_step', 'acknowledgement']
  const rows = await Promise.all(
    tables.map((table) => server.parts.database.rows<{ row: string }>(`select t::text as row from ${table} t`)),
  )
  return rows
    .flat()
    .map((each) => each.row)
    .sort()
}

/** Queries without which a read is not asked. */
const QUERIES: Record<string, string> = {
  '/api/suggestions': '?find=order',
  '/api/guides/:id/draft/changes': '?since=0',
  '/api/engagement/rows': '?figure=views',
  '/api/guides/:id/journey/visits': '?part=visits',
}
/** Every address of a read with the ids that were stored, for somebody who may see all. */
async function addresses(method: string, path: string, over: string | undefined): Promise<string[]> {
  const { database } = server.parts
  const ids = async (sql: string) => (await database.rows<{ id: string }>(sql)).map((row) => row.id)
  const guides = await ids('select id from guide')
  const people = (await ids('select id from person order by name')).slice(0, 6)
  // Nothing had been sought then.
  if (path === '/api/engagement/searches/rows') return []
  if (!path.includes(':')) return [path]
  if (path.endsWith('/own-use'))
    return ids(
      `select replace('${path}', ':id', h.id) as id from item_home h join item i using (kind, id) join person p on p.id = h.owner_id and p.mail = '${then.requests.mails.lead}' where i.edition is not null`,
    )
  if (path.includes('/draft/pictures/'))
    return ids(
      `select concat('/guides/', item_id, '/draft/pictures/', id) as id from picture where exists (select 1 from picture_version v where v.picture_id = picture.id)`,
    )
  if (path.includes('/editions/:edition/pictures/'))
    return ids(`select concat('/guides/', item_id, '/editions/', edition, '/pictures/', picture_id) as id from picture_use`)
  if (/\/editions\/:edition\/(quizzes|holding)$/.test(path)) return guides.map((id) => path.replace(':id', id).replace(':edition', '1'))
  if (path.endsWith('/private')) return ids(`select concat('/api/guides/', p.item_id, '/pictures/', p.id, '/private') as id from picture p`)
  // Nobody had a picture then.
  if (path.endsWith('/face')) return []
  if (path.endsWith('/calendar'))
    return ids(`select concat('/api/groups/', id, '/calendar') as id from people_group where kind_id = 'site'`)
  if (path.includes(':groupId')) return ids(`select replace('${path}', ':groupId', id) as id from people_group`)
  if (path.includes(':folderId')) return ids(`select replace('${path}', ':folderId', id) as id from folder`)
  if (path.includes(':audienceId')) return ids(`select concat('/api/audiences/', id) as id from audience where name is not null`)
  if (path.includes(':surveyId') || path.includes(':goalId') || path.includes(':pageId')) return []
  if (path.includes(':attemptId') || path.includes('/recorder/')) return []
  // Nobody had a task or a plan then.
  if (path.startsWith('/api/plans/') || ['task', 'hand-in', 'check-in'].includes(over ?? '') || path.includes(':taskId')) return []
  // Nor had there been a quiz, or a file made of guides.
  if (['quiz', 'bank', 'quiz-attempt', 'clip', 'export'].includes(over ?? '') || path.includes(':quizId')) return []
  const own = (over === 'person' ? people : guides).map((id) => path.replace(':id', id))
  if (path.includes(':itemId'))
    return ids(`select concat('/api/people/', person_id, '/items/', item_id, '/reasons') as id from assignment order by id limit 20`)
  if (path.includes(':guideId'))
    return ids(`select concat('/api/people/', person_id, '/records/', item_id) as id from assignment order by id limit 20`)
  if (path.includes(':way'))
    return own.flatMap((each) => ['practise', path.includes('way-steps') ? 'solo' : 'watch'].map((way) => each.replace(':way', way)))
  return own.flatMap((each) =>
    ['watch', 'practise', ...(path.includes('way-steps') ? ['solo'] : [])].map((way) => each.replace(':way', way)),
  )
  return own
}

describe('what was stored then', () => {
  it('keeps the bytes and the hashes of its editions', async () => {
    const now = await editionsIn(server.parts.database)
    expect(now).toEqual(editionsThen)
    expect(now.length).toBeGreaterThanOrEqual(6)
    for (const { bytes, hash } of now) expect(createHash('sha256').update(bytes).digest('hex')).toBe(hash)
  })
  it('is what a full recount counts', async () => {
    const before = await counted()
    await recount(server.parts.database, server.parts.events)
    expect(await counted()).toEqual(before)
    expect(before.length).toBeGreaterThan(1_000)
  })
  it('is answered by every read', { timeout: 120_000 }, async () => {
    const wrong: string[] = []
    let asked = 0
    const reads = server.routes.served.filter((each) => each.method === 'get' && each.access !== 'anyone')
    for (const { method, path, access } of reads) {
      if (path.endsWith('.zip') || (access !== 'anyone' && access.by === 'recorder')) continue
      for (const address of await addresses(method, path, access === 'anyone' ? undefined : access.over)) {
        const response = await lead.send('get', `${address}${QUERIES[path] ?? ''}`)
        asked++
        await response.arrayBuffer()
        if (!response.ok) wrong.push(`${address}: ${response.status}`)
      }
    }
    expect(wrong).toEqual([])
    expect(asked).toBeGreaterThan(150)
  })
  it('takes changes of every kind in their old form', async () => {
    const { guideId, changes } = then.requests.changes
    const before = await lead.json('get', `/api/guides/${guideId}/draft`)
    const answer = await lead.json('post', `/api/guides/${guideId}/draft/changes`, {
      baseRevision: before.revision,
      changeSetId: nanoid(),
      changes,
    })
    expect(answer.conflicts).toEqual([])
    const { document } = await lead.json('get', `/api/guides/${guideId}/draft`)
    const step = document.items.find((item: any) => item.notReady)
    expect(document).toMatchObject({ title: 'Book a slot', silenced: [changes.at(-3) && expect.stringContaining('long-step:')] })
    expect(step).toMatchObject({
      notReadyWhy: 'The price is missing',
      exercise: { hint: 'Look at the top' },
      flow: { ask: 'Which dock?' },
      cautions: [{ words: 'Forklifts cross here' }],
      signs: ['W010'],
      pictures: [{ alt: 'A list of docks', shown: { width: 600 } }],
      combinedFrom: [expect.any(String)],
    })
  })
  it('takes changes that a browser has kept', async () => {
    const [kept] = entriesOf(then.browser.marta, 'jackdaw-drafts', 'drafts')
    const { guideId, baseRevision, inFlight, queue } = kept
    const path = `/api/guides/${guideId}/draft/changes`
    const first = await lead.json('post', path, { baseRevision, changeSetId: inFlight.id, changes: inFlight.changes })
    const second = await lead.json('post', path, { baseRevision: first.revision, changeSetId: nanoid(), changes: queue })
    expect([first.conflicts, second.conflicts]).toEqual([[], []])
    const text = JSON.stringify((await lead.json('get', `/api/guides/${guideId}/draft`)).document)
    expect(text).toContain('Look twice')
    expect(text).toContain('Then wait')
  })
  it('takes events that a browser has kept, once, and reading from begin to end', async () => {
    const events = entriesOf(then.browser.clerk, 'jackdaw-events', 'events').map((each) => each.event)
    expect(events.length).toBeGreaterThan(5)
    expect(await clerk.json('post', '/api/events', { sentAt: then.now, events })).toEqual({ taken: events.length, refused: [] })
    const { guideId, stepIds } = then.requests.readings
    const base = { guideId, edition: 1, way: 'read', occurredAt: then.now - 60_000 }
    const reading = [
      { ...base, id: uuidV7(), verb: 'opened' },
      ...stepIds.flatMap((stepId) => [
        { ...base, id: uuidV7(), verb: 'step-viewed', stepId },
        { ...base, id: uuidV7(), verb: 'step-acknowledged', stepId },
        { ...base, id: uuidV7(), verb: 'step-confirmed', stepId },
        { ...base, id: uuidV7(), verb: 'time-spent', stepId, activeMs: 5_000 },
      ]),
      { ...base, id: uuidV7(), verb: 'finished' },
    ]
    expect(await lead.json('post', '/api/events', { sentAt: then.now, events: reading })).toEqual({ taken: reading.length, refused: [] })
    const before = await counted()
    await lead.json('post', '/api/events', { sentAt: then.now, events: reading })
    await recount(server.parts.database, server.parts.events)
    expect(await counted()).toEqual(before)
  })
  it('goes on where somebody was in Practise, by the server and by their browser', async () => {
    const [key, text] = Object.entries(then.browser.clerk.local).find(([each]) => each.startsWith('jackdaw-play '))!
    const [, , guideId, way] = key.split(' ')
    const path = `/api/guides/${guideId}/plays/${way}`
    const there = await clerk.json('get', path)
    const here = JSON.parse(text)
    expect(there.state.at).toBe(here.state.at)
    await clerk.json('put', path, here, 204)
    expect((await clerk.json('get', path)).state).toEqual(here.state)
  })
  it('goes on with a test that was under way, and judges what it is told', async () => {
    const { guideId, attemptId, acts } = then.requests.attempt
    const path = `/api/guides/${guideId}/attempts/${attemptId}`
    const test = await clerk.json('get', path)
    expect(test).toMatchObject({ acts: 1, result: null })
    const pictureId = test.screen.picture.id
    let now = test
    for (const act of JSON.parse(JSON.stringify(acts).replaceAll('"pictureId":""', `"pictureId":"${pictureId}"`)))
      now = await clerk.json('post', `${path}/acts`, act)
    expect(now).toMatchObject({ acts: 3, result: null })
    expect((await clerk.json('post', `${path}/end`)).result).toMatchObject({ ended: 'given-up', passed: false })
    expect((await clerk.json('get', `/api/guides/${guideId}/attempts`)).done.length).toBeGreaterThan(1)
  })
  it('takes the rest of a recording from a recorder that was paired then, and makes the draft', async () => {
    const facts = entriesOf(then.outbox, 'recorder', 'facts')
    const { token } = facts.find((each) => 'token' in each)
    const { id } = facts.find((each) => 'names' in each)
    const headers = { authorization: `Bearer ${token}` }
    const path = `/api/recorder/recordings/${id}`
    const shots = entriesOf(then.outbox, 'recorder', 'shots').filter((each) => each.used)
    for (const shot of shots.filter((each) => !each.sent)) {
      const bytes = new Uint8Array(Buffer.from(shot.blob.blob, 'base64'))
      const put = await lead.send('put', `${path}/pictures/${shot.id}`, bytes, { ...headers, 'content-type': shot.blob.type })
      expect(put.status).toBe(200)
    }
    const actions = entriesOf(then.outbox, 'recorder', 'actions').filter((each) => !each.dropped)
    const sent = await lead.send(
      'post',
      `${path}/actions`,
      { actions: actions.filter((each) => !each.sent).map((each) => each.action) },
      headers,
    )
    expect(sent.status).toBe(200)
    const finished = await lead.send('post', `${path}/finish`, { actions: actions.map((each) => each.id) }, headers)
    const answer = (await finished.json()) as { done: boolean; guideId: string; steps: number }
    expect(answer).toMatchObject({ done: true })
    expect(answer.steps).toBeGreaterThan(3)
    const author = await new Client(server.address).signIn(then.requests.mails.author, then.requests.password)
    expect((await author.json('get', `/api/guides/${answer.guideId}/draft`)).document.items.length).toBe(answer.steps)
  })
})

describe('the tables of then', () => {
  it('come back when newer migrations are taken back, with what was stored in them', async () => {
    const before = await storedThen()
    const database = openDatabase(before.databaseUrl, 2)
    const shape = () =>
      database.rows(`select table_name, column_name, data_type, is_nullable from information_schema.columns
        where table_schema = 'public' order by table_name, column_name`)
    const rows = async () => {
      const tables = await database.rows<{ name: string }>(
        `select tablename as name from pg_tables where schemaname = 'public' and tablename <> 'migration' order by 1`,
      )
      return Promise.all(
        tables.map(async ({ name }) => [
          name,
          await database.one(
            `select count(*)::int as n, md5(string_agg(to_jsonb(t)::text, ';' order by to_jsonb(t)::text)) as hash from "${name}" t`,
          ),
        ]),
      )
    }
    const [shapeThen, rowsThen] = [await shape(), await rows()]
    const done = await migrateUp(database)
    if (done.length > 0) await migrateDown(database, done[0])
    expect(await shape()).toEqual(shapeThen)
    expect(await rows()).toEqual(rowsThen)
    await database.close()
    await rm(before.storageDir, { recursive: true, force: true })
  })
})
