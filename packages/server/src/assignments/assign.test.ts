import { dueFor, type DueRule } from '@jackdaw/core/assignments'
import { guideItem } from '@jackdaw/core/items'
import { reasonsFor, type AudienceRule } from '@jackdaw/core/audiences'
import { seededRandom, type GuideId, type LocalDate, type PersonId, type RoleId, type TeamId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, START, startTestServer, type TestServer } from '../testing/testServer'
import { assign } from './assign'

const DAY = 86_400_000
let server: TestServer
let guideId: GuideId
let lead: PersonId
const people: { id: PersonId; zone: string }[] = []
const teams = [nanoid(), nanoid(), nanoid()] as TeamId[]
const roles = [nanoid(), nanoid()] as RoleId[]
/** Who is in which group, as the test believes it to be. */
const groups = new Map<string, Set<string>>()

beforeAll(async () => {
  server = await startTestServer()
  const company = await smallCompany(server)
  lead = company.people.lead
  ;({ id: guideId } = await aGuide(server, company, 'lead', { published: false }))
  const sites = [
    { id: nanoid(), name: 'North House', zone: 'Europe/London' },
    { id: nanoid(), name: 'Far depot', zone: 'Pacific/Auckland' },
  ]
  const department = nanoid()
  await server.services.addGroups({
    sites,
    departments: [{ id: department, name: 'Growing' }],
    teams: teams.map((id, n) => ({ id, name: `Team ${n}` })),
    roles: roles.map((id, n) => ({ id, name: `role ${n}` })),
  })
  for (let n = 0; n < 12; n++) people.push({ id: nanoid<PersonId>(), zone: sites[n % 2]!.zone })
  await server.services.addPeople(
    people.map(({ id }, n) => ({
      id,
      name: `Person ${n}`,
      mail: `p${n}@example.org`,
      level: 'staff' as const,
      siteId: sites[n % 2]!.id,
      departmentId: department,
      teamIds: [],
      roleIds: [],
      managerId: null,
    })),
    'a long enough password',
    START,
  )
  for (const group of [...teams, ...roles]) groups.set(group, new Set())
})
afterAll(() => server.close())

type Expected = Map<string, { due: string | null; reasons: string[] }>
const stored = async (): Promise<Expected> => {
  const rows = await server.parts.database.rows<{ person_id: string; due_at: Date | null; reasons: string[] | null }>(
    `select a.person_id, a.due_at, (select array_agg(r.kind || ' ' || r.ref order by r.kind, r.ref) from assignment_reason r where r.assignment_id = a.id) as reasons
     from assignment a where a.item_id = $1`,
    [guideId],
  )
  return new Map(rows.map((row) => [row.person_id, { due: row.due_at?.toISOString() ?? null, reasons: row.reasons ?? [] }]))
}

describe('assigning a guide', () => {
  it('makes the assignments what the audience says, with reasons and dates, after any row of changes', async () => {
    const random = seededRandom(2026)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
    const some = <T>(list: readonly T[], share: number): T[] => list.filter(() => random() < share)
    const { database } = server.parts
    let model: Expected = new Map()
    for (let round = 0; round < 40; round++) {
      const now = START + round * DAY
      for (const person of some(people, 0.3)) {
        const group = pick([...teams, ...roles])
        const table = teams.includes(group as TeamId) ? 'team' : 'role'
        const inside = groups.get(group)!
        if (inside.delete(person.id))
          await database.rows(`delete from person_${table} where person_id = $1 and ${table}_id = $2`, [person.id, group])
        else {
          inside.add(person.id)
          await database.rows(`insert into person_${table} (person_id, ${table}_id) values ($1, $2)`, [person.id, group])
        }
      }
      const rule: AudienceRule = { people: some(people, 0.15).map((person) => person.id), teams: some(teams, 0.5), roles: some(roles, 0.4) }
      const due: DueRule = pick<DueRule>([
        { kind: 'none' },
        { kind: 'days', days: 1 + Math.floor(random() * 30) },
        { kind: 'date', date: '2026-06-01' as LocalDate },
      ])
      const renewFor = new Set<string>(some(people, 0.2).map((person) => person.id))
      const count = await database.transaction((tx) =>
        assign(tx, nanoid, { item: guideItem(guideId), audience: rule, due, by: lead, now, renewFor }).then(({ people }) => people),
      )

      const next: Expected = new Map()
      for (const person of people) {
        const inGroup = (list: readonly string[]) => list.filter((group) => groups.get(group)!.has(person.id))
        const reasons = reasonsFor(rule, { id: person.id, teams: inGroup(teams), roles: inGroup(roles) })
        if (reasons.length === 0) continue
        const had = model.get(person.id)
        const at = dueFor(due, now, person.zone)?.at
        const fresh = at === undefined ? null : new Date(at).toISOString()
        next.set(person.id, {
          due: had && !renewFor.has(person.id) ? had.due : fresh,
          reasons: reasons.map(({ kind, id }) => `${kind} ${id}`).sort(),
        })
      }
      model = next
      expect(count).toBe(model.size)
      const found = await stored()
      expect([...found.keys()].sort()).toEqual([...model.keys()].sort())
      for (const [id, each] of model) expect({ id, ...found.get(id), reasons: [...found.get(id)!.reasons].sort() }).toEqual({ id, ...each })
    }
  }, 60_000)
})
