import { EVERYBODY, NOBODY, ticked, type AudienceRule, type Clause } from '@jackdaw/core/audiences'
import { managersAbove, type PersonState } from '@jackdaw/core/people'
import { randomRule } from '@jackdaw/core/testing'
import { seededRandom, type AudienceId, type GroupId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, START, startTestServer, type Company, type TestServer } from '../testing/testServer'
import { belongingQuery, rebuildAudiences, refreshForDay } from './refresh'

const DAY = 86_400_000
let server: TestServer
let company: Company
let lead: Client

beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
})
afterAll(() => server.close())
beforeEach(() => void (server.clock.now = START))

const members = async (id: AudienceId): Promise<Set<PersonId>> =>
  new Set(
    (await server.parts.database.rows<{ id: PersonId }>('select person_id as id from audience_member where audience_id = $1', [id])).map(
      (row) => row.id,
    ),
  )
const trial = (audience: object, find?: string) => lead.json('post', '/api/audiences/people', { audience, ...(find ? { find } : {}) })
const save = async (name: string, rule: AudienceRule): Promise<AudienceId> =>
  (await lead.json<{ id: AudienceId }>('post', '/api/audiences', { name, about: '', rule })).id
const change = (id: PersonId, change: Partial<PersonState>, now = server.clock.now) => server.services.changePerson(id, change, now)

describe('who belongs to audiences', () => {
  it('is the same by following changes, by the database and by asking everybody anew, and as it was on any day before', async () => {
    const random = seededRandom(1512)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
    const groups = Array.from({ length: 4 }, () => nanoid<GroupId>())
    await server.services.addGroups(
      groups.map((id, n) => ({ id, kind: 'team', name: `Shift ${n}` })),
      START,
    )
    const ids = Array.from({ length: 14 }, () => nanoid<PersonId>())
    await server.services.addPeople(
      ids.map((id, n) => ({
        ...{ id, name: `Hand ${n}`, mail: `hand${n}@example.org`, level: 'staff' as const, siteId: company.site },
        groups: [company.site, ...groups.filter(() => random() < 0.3)],
        managerId: n === 0 ? null : ids[Math.floor(random() * n)]!,
        startedOn: `2026-02-${String(10 + n)}` as LocalDate,
      })),
      'a long enough password',
      START,
    )
    const audiences: { id: AudienceId; rule: AudienceRule }[] = []
    for (let n = 0; n < 12; n++) {
      const rule = { ...randomRule(random, ids, groups), asOf: null }
      audiences.push({ id: await save(`Audience ${n}`, rule), rule })
    }
    const { database } = server.parts
    const past: { at: number; rules: AudienceRule[]; of: Set<PersonId>[] }[] = []
    for (let step = 1; step <= 30; step++) {
      const now = (server.clock.now = START + step * DAY)
      const id = pick(ids)
      const now_ = await database.one<{ active: boolean }>('select active from person where id = $1', [id])
      const rows = await database.rows<{ id: PersonId; manager_id: PersonId | null; active: boolean }>(
        'select id, manager_id, active from person',
      )
      const managerOf = new Map(rows.map((row) => [row.id, row.manager_id]))
      const free = rows.filter((row) => row.active && row.id !== id && !managersAbove(row.id, (each) => managerOf.get(each)).includes(id))
      const changes: Partial<PersonState>[] = [
        { groups: [company.site, ...groups.filter(() => random() < 0.4)] },
        { managerId: pick(free).id },
        { active: !now_!.active, ...(now_!.active ? {} : { groups: [groups[0]!] }) },
        { startedOn: `2026-03-${String(1 + Math.floor(random() * 28)).padStart(2, '0')}` as LocalDate },
      ]
      if (now_!.active) await change(id, pick(changes), now)
      else await change(id, changes[2]!, now)
      if (step % 5 === 0) {
        const edited = pick(audiences)
        edited.rule = { ...randomRule(random, ids, groups), asOf: null }
        const name = `Edited ${step}`
        await lead.json('put', `/api/audiences/${edited.id}`, { name, about: '', rule: edited.rule }, 204)
      }
      await refreshForDay(server.parts, now)
      const followed = await Promise.all(audiences.map((audience) => members(audience.id)))
      for (const [n, { rule }] of audiences.entries()) {
        const { sql, bind } = await belongingQuery(database, rule, null, now)
        expect([step, n, new Set((await database.rows<{ id: PersonId }>(sql, bind)).map((row) => row.id))]).toEqual([step, n, followed[n]])
      }
      past.push({ at: now, rules: audiences.map(({ rule }) => rule), of: followed })
    }
    const before = await database.rows('select * from audience_member order by audience_id, person_id')
    await rebuildAudiences(server.parts, server.clock.now)
    expect(await database.rows('select * from audience_member order by audience_id, person_id')).toEqual(before)

    // As they were at any of those moments, as far as no rule asks for the first day at work, of which no past is kept.
    for (const { at, rules, of } of past)
      for (const [n, rule] of rules.entries()) {
        if (JSON.stringify(rule).includes('started')) continue
        const asOf: AudienceRule = { ...rule, asOf: '2026-03-01' as LocalDate }
        const { sql, bind } = await belongingQuery(database, asOf, at + DAY / 2, server.clock.now + DAY)
        const then = new Set((await database.rows<{ id: PersonId }>(sql, bind)).map((row) => row.id))
        expect([at, n, then]).toEqual([at, n, of[n]])
      }
  }, 60_000)

  it('is tried before it is used: the number, the names, the sentence, and what is odd', async () => {
    const rule = ticked([company.team], [company.people.outsider])
    expect(await trial(rule)).toMatchObject({
      total: 2,
      found: 2,
      people: [
        { name: 'Name of outsider', site: 'Brookside' },
        { name: 'Name of staff', site: 'Brookside' },
      ],
      sentence: 'Everybody who is in “Crate line A” (team) or is “Name of outsider”. Follows changes.',
      gone: [],
    })
    expect(await trial(rule, 'STÁFF')).toMatchObject({ total: 2, found: 1, people: [{ name: 'Name of staff' }] })
    expect(await trial(NOBODY)).toMatchObject({ total: 0, people: [] })
    const all = await trial(EVERYBODY)
    expect(all.total).toBe(all.everybody)
  })
  it('is explained for somebody who belongs and for somebody who does not', async () => {
    const under: Clause = {
      join: 'all',
      of: [
        { asks: 'manager', people: [company.people.manager] },
        { asks: 'level', levels: ['staff'] },
      ],
    }
    const audience: AudienceRule = { ...NOBODY, of: [under, { asks: 'person', people: [company.people.lead] }] }
    const explained = (personId: PersonId) => lead.json('post', '/api/audiences/explanation', { audience, personId })
    expect(await explained(company.people.staff)).toMatchObject({
      name: 'Name of staff',
      belongs: true,
      parts: [
        { words: '(reports to “Name of manager” and has the level staff)', holds: true, decides: true },
        { words: 'is “Name of lead”', holds: false, decides: false },
      ],
    })
    expect(await explained(company.people.outsider)).toMatchObject({ belongs: false, parts: [{ decides: true }, { decides: true }] })
  })
  it('reads a sentence back, and says what it cannot read', async () => {
    const rule = ticked([company.team], [company.people.outsider])
    const read = (sentence: string) => lead.json('post', '/api/audiences/sentence', { sentence })
    expect((await read((await trial(rule)).sentence)).rule).toEqual(rule)
    expect(await read('Everybody who is “Nobody at all”. Follows changes.')).toEqual({
      at: 17,
      expected: 'somebody who works here; “Nobody at all” does not',
    })
  })
  it('tells apart people who are called alike, and groups that were closed', async () => {
    const twins = [nanoid<PersonId>(), nanoid<PersonId>()]
    await server.services.addPeople(
      twins.map((id, n) => ({
        id,
        name: 'Ola Twin',
        mail: `twin${n}@example.org`,
        level: 'staff',
        siteId: company.site,
        groups: [company.site],
        number: `T${n}`,
      })),
      'a long enough password',
      START,
    )
    const { sentence } = await trial(ticked([], twins))
    expect(sentence).toBe('Everybody who is “Ola Twin (T0)” or “Ola Twin (T1)”. Follows changes.')
    expect((await lead.json('post', '/api/audiences/sentence', { sentence })).rule).toEqual(ticked([], twins))
  })
})

describe('saved audiences', () => {
  it('give and take what is given to them when they are edited, and when people move', async () => {
    const id = await save('Line A', ticked([company.team], []))
    const guide = await aGuide(server, company, 'lead', { openToAll: true })
    const publish = (audience: object) =>
      lead.json('post', `/api/guides/${guide.id}/editions`, {
        ...{ revision: 0, changeNote: '', mustReread: false, audience, openToAll: false, due: { kind: 'days', days: 7 } },
      })
    expect(await publish({ saved: id })).toEqual({ edition: 1, people: 1 })
    expect((await lead.json('get', `/api/guides/${guide.id}/publication`)).audience).toMatchObject({
      choice: { saved: id },
      name: 'Line A',
    })
    expect((await lead.json('get', `/api/audiences/${id}`)).usedBy).toMatchObject([{ item: { kind: 'guide', id: guide.id } }])
    const today = async (who: 'staff' | 'outsider') =>
      ((await (await company.as(who)).json('get', '/api/today')).waiting as { item: { id: string } }[]).some(
        (each) => each.item.id === guide.id,
      )
    expect([await today('staff'), await today('outsider')]).toEqual([true, false])
    await change(company.people.outsider, { groups: [company.site, company.department, company.team] })
    expect([await today('staff'), await today('outsider')]).toEqual([true, true])
    await lead.json(
      'put',
      `/api/audiences/${id}`,
      { name: 'Line A', about: '', rule: { ...ticked([company.team], []), except: [company.people.staff] } },
      204,
    )
    expect([await today('staff'), await today('outsider')]).toEqual([false, true])
    // A day is kept: who leaves afterwards still has it.
    await lead.json(
      'put',
      `/api/audiences/${id}`,
      { name: 'Line A', about: '', rule: { ...ticked([company.team], []), asOf: '2026-03-10' } },
      204,
    )
    server.clock.now = START + 2 * DAY
    await refreshForDay(server.parts, server.clock.now)
    await change(company.people.outsider, { groups: [company.site, company.department] })
    expect([await today('staff'), await today('outsider')]).toEqual([true, true])

    expect((await lead.send('delete', `/api/audiences/${id}`)).status).toBe(409)
    await publish(NOBODY)
    expect([await today('staff'), await today('outsider')]).toEqual([false, false])
    await lead.json('delete', `/api/audiences/${id}`, undefined, 204)
    expect((await lead.send('get', `/api/audiences/${id}`)).status).toBe(404)
  })
  it('refuse a name that is taken, and groups and people that never were', async () => {
    await save('Taken', NOBODY)
    const refused = async (name: string, rule: AudienceRule) => {
      const response = await lead.send('post', '/api/audiences', { name, about: '', rule })
      return [response.status, ((await response.json()) as { code: string }).code]
    }
    expect(await refused('TAKEN', NOBODY)).toEqual([409, 'already-taken'])
    expect(await refused('x', ticked([nanoid<GroupId>()], []))).toEqual([422, 'invalid'])
    expect(await refused('x', ticked([], [nanoid<PersonId>()]))).toEqual([422, 'invalid'])
  })
})
