import { ticked } from '@jackdaw/core/audiences'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { richTextOf, withBlockIds } from '@jackdaw/core/guides'
import { aGuide, Client, smallCompany, START, startTestServer, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let staff: Client
let lead: Client
let author: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  ;[staff, lead, author] = [await company.as('staff'), await company.as('lead'), await company.as('author')]
})
afterAll(() => server.close())
beforeEach(async () => {
  await server.parts.database.rows('truncate inbox_entry, mail_choice, day_mail, one_time_token, jobs.job')
  server.mails.length = 0
  server.clock.now = START
})

const entries = (client: Client, part = 'all') => client.json('get', `/api/inbox?part=${part}`)
const publishTo = (id: string, more: object = {}) =>
  lead.json('post', `/api/guides/${id}/editions`, {
    revision: 0,
    changeNote: 'First',
    mustReread: false,
    audience: ticked([company.team], [company.people.lead]),
    openToAll: false,
    due: { kind: 'days', days: 14 },
    ...more,
  })

describe('a published edition', () => {
  it('is told to those who are to read it, in their inbox and by mail, not to whoever published it', async () => {
    const { id } = await aGuide(server, company, 'author', { published: false })
    await publishTo(id)
    const { rows, counts } = await entries(staff)
    expect(counts).toEqual({ unread: 1, open: 0 })
    expect(rows).toMatchObject([
      { kind: 'to-do', about: { kind: 'guide', id }, data: { title: 'Rinse the trays', by: 'Name of lead', due: '2026-03-24' } },
    ])
    expect((await entries(lead)).rows).toEqual([])
    await server.runner.drain()
    expect(server.mails).toHaveLength(1)
    const [mail] = server.mails
    expect(mail).toMatchObject({
      to: { address: 'staff@example.org' },
      subject: 'Name of lead gives you “Rinse the trays” to do',
    })
    expect(mail!.text).toContain('It is to be done by Tuesday 24 March.')
    expect(mail!.text).toContain(`https://guides.example.org/guides/${id}`)
    expect(mail!.html).toContain(`href="https://guides.example.org/guides/${id}"`)
  })
  it('is told to nobody where the publisher wishes so, and taken back from those who no longer have it', async () => {
    const { id } = await aGuide(server, company, 'author', { published: false })
    await publishTo(id, { tell: false })
    expect((await entries(staff)).rows).toEqual([])
    const other = await aGuide(server, company, 'author', { published: false })
    await publishTo(other.id)
    await publishTo(other.id, { audience: ticked([], [company.people.manager]) })
    expect((await entries(staff)).rows).toEqual([])
    expect((await entries(await company.as('manager'))).rows).toHaveLength(1)
  })
  it('is mailed to nobody who has seen it or does not want it', async () => {
    const [seen, unwanted] = [
      await aGuide(server, company, 'author', { published: false }),
      await aGuide(server, company, 'author', { published: false }),
    ]
    await publishTo(seen.id)
    const [entry] = (await entries(staff)).rows
    await staff.json('patch', `/api/inbox/${entry.id}`, { read: true }, 204)
    await staff.json('patch', '/api/mail-choice', { kinds: { 'to-do': false } }, 204)
    await publishTo(unwanted.id)
    await server.runner.drain()
    expect(server.mails).toEqual([])
  })
})

describe('an inbox', () => {
  const told = async (n: number) => {
    for (let i = 0; i < n; i++) {
      server.clock.now = START + i * 1_000
      const { id } = await aGuide(server, company, 'author', { published: false })
      await publishTo(id)
    }
  }
  it('is read one by one, unread again, or all at once up to what was seen', async () => {
    await told(3)
    const { rows } = await entries(staff)
    await staff.json('patch', `/api/inbox/${rows[1].id}`, { read: true }, 204)
    expect((await entries(staff, 'unread')).rows.map((row: { id: string }) => row.id)).toEqual([rows[0].id, rows[2].id])
    await staff.json('post', '/api/inbox/read', { until: rows[1].at }, 204)
    expect((await entries(staff, 'unread')).rows.map((row: { id: string }) => row.id)).toEqual([rows[0].id])
    await staff.json('patch', `/api/inbox/${rows[2].id}`, { read: false }, 204)
    expect(await staff.json('get', '/api/inbox/counts')).toEqual({ unread: 2, open: 0 })
    expect((await author.send('patch', `/api/inbox/${rows[0].id}`, { read: true })).status).toBe(404)
  })
  it('comes in parts, also where many came in at the same moment', async () => {
    const rows = Array.from({ length: 90 }, (_, i) => ({ id: nanoid(), at: new Date(START - Math.floor(i / 30) * 1_000).toISOString() }))
    await server.parts.database.rows(
      `insert into inbox_entry (id, person_id, kind, about_kind, about_id, data, at, settled_at)
       select x.id, $2, 'write-along', 'guide', $3, '{"title": "a", "by": "b"}', x.at, x.at from jsonb_to_recordset($1::jsonb) as x (id text, at timestamptz)`,
      [JSON.stringify(rows), company.people.staff, nanoid()],
    )
    const seen: string[] = []
    for (let query = ''; ;) {
      const { rows: part, more } = await staff.json('get', `/api/inbox${query}`)
      seen.push(...part.map((row: { id: string }) => row.id))
      if (!more) break
      query = `?before=${part.at(-1).at}&beforeId=${part.at(-1).id}`
    }
    expect([seen.length, new Set(seen).size]).toEqual([90, 90])
  })
})

describe('other things that are told', () => {
  it('an invitation to write along, once; nothing to those who could already', async () => {
    const { id } = await aGuide(server, company, 'author', { published: false })
    const other = await company.as('otherAuthor')
    for (let i = 0; i < 2; i++) await author.json('patch', `/api/guides/${id}`, { sharedWith: [company.people.otherAuthor] }, 204)
    expect((await entries(other)).rows).toMatchObject([{ kind: 'write-along', data: { title: 'Rinse the trays', by: 'Name of author' } }])
    await author.json('patch', `/api/guides/${id}`, { sharedWith: [] }, 204)
    expect((await entries(other)).rows).toEqual([])
  })
  it('a finished import', async () => {
    const name = encodeURIComponent('trays.md')
    await author.send('post', `/api/imports?name=${name}`, new TextEncoder().encode('# Trays\n\n1. Fill\n2. Rinse\n'), {
      'content-type': 'text/plain',
    })
    expect((await entries(author)).rows).toMatchObject([{ kind: 'imported', data: { title: 'Trays', count: 2, missing: 0 } }])
  })
  it('a clash, which waits with both versions until it is decided, whatever page is open', async () => {
    const { id, steps } = await aGuide(server, company, 'author', { published: false })
    const write = (client: Client, words: string) =>
      client.json('post', `/api/guides/${id}/draft/changes`, {
        baseRevision: 0,
        changeSetId: nanoid(),
        changes: [{ type: 'set-step', stepId: steps[0], fields: { body: withBlockIds(richTextOf(words), nanoid) } }],
        form: 2,
      })
    await write(lead, 'Fill it to the mark')
    await write(author, 'Fill it to the brim')
    expect(await entries(author, 'open')).toMatchObject({
      rows: [{ kind: 'clash', open: true, data: { by: 'Name of lead' } }],
      counts: { unread: 1, open: 1 },
    })
    const { clashes } = await author.json('get', `/api/guides/${id}/draft`)
    expect(clashes).toMatchObject([{ reason: 'changed', by: { name: 'Name of lead' } }])
    expect(JSON.stringify([clashes[0].mine, clashes[0].theirs])).toMatch(/brim.*mark/)
    expect((await lead.json('get', `/api/guides/${id}/draft`)).clashes).toEqual([])
    await author.json('post', `/api/guides/${id}/draft/clashes/settle`, { target: clashes[0].target }, 204)
    expect((await author.json('get', `/api/guides/${id}/draft`)).clashes).toEqual([])
    expect(await entries(author)).toMatchObject({ rows: [{ open: false }], counts: { unread: 0, open: 0 } })
    await server.runner.drain()
    expect(server.mails).toEqual([])
  })
})

describe('the link at the end of a mail', () => {
  const tokenOf = async (): Promise<string> => {
    const { id } = await aGuide(server, company, 'author', { published: false })
    await publishTo(id)
    await server.runner.drain()
    return server.mails.at(-1)!.stopUrl!.split('#')[1]!
  }
  const stop = (token: string) => new Client(server.address).send('post', '/api/mail-stops', { token })

  it('ends mails of its kind, once, without signing in, and is stored as its hash', async () => {
    const token = await tokenOf()
    expect(await server.parts.database.rows('select 1 from one_time_token where hash = $1 or detail = $1', [token])).toEqual([])
    const answer = await stop(token)
    expect([answer.status, await answer.json()]).toEqual([200, { kind: 'to-do' }])
    expect((await staff.json('get', '/api/mail-choice')).kinds['to-do']).toBe(false)
    expect((await stop(token)).status).toBe(410)
  })
  it('holds no more when it has expired, and is forgotten then', async () => {
    const token = await tokenOf()
    server.clock.now += 61 * 86_400_000
    expect((await stop(token)).status).toBe(410)
    await tokenOf()
    server.clock.now += 61 * 86_400_000
    await (await company.as('admin')).json('post', '/api/jobs', { name: 'forget-expired-sessions' }, 204)
    await server.runner.drain()
    expect(await server.parts.database.rows('select 1 from one_time_token')).toEqual([])
  })
})
