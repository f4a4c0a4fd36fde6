import { dueFor, type DueRule } from '@jackdaw/core/assignments'
import { USUAL_CALENDAR } from '@jackdaw/core/calendar'
import { ticked } from '@jackdaw/core/audiences'
import { guideItem } from '@jackdaw/core/items'
import { seededRandom, type AudienceId, type GroupId, type GuideId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, START, startTestServer, type TestServer } from '../testing/testServer'
import { assign } from './assign'

const DAY = 86_400_000
let server: TestServer
let guideId: GuideId
let audienceId: AudienceId
const people: { id: PersonId; zone: string; site: GroupId }[] = []
const groups = Array.from({ length: 5 }, () => nanoid<GroupId>())
/** Who is in which group, as the test believes it to be. */
const inside = new Map<GroupId, Set<PersonId>>(groups.map((group) => [group, new Set()]))

beforeAll(async () => {
  server = await startTestServer()
  const company = await smallCompany(server)
  ;({ id: guideId } = await aGuide(server, company, 'lead', { openToAll: true }))
  ;({ audience_id: audienceId } = (await server.parts.database.one<{ audience_id: AudienceId }>('select audience_id from item_audience'))!)
  const sites = [
    { id: nanoid<GroupId>(), kind: 'site', name: 'North House', zone: 'Europe/London' },
    { id: nanoid<GroupId>(), kind: 'site', name: 'Far depot', zone: 'Pacific/Auckland' },
  ] as const
  await server.services.addGroups([...sites, ...groups.map((id, n) => ({ id, kind: n < 3 ? 'team' : 'role', name: `Group ${n}` }))], START)
  for (let n = 0; n < 12; n++) people.push({ id: nanoid<PersonId>(), zone: sites[n % 2]!.zone, site: sites[n % 2]!.id })
  await server.services.addPeople(
    people.map(({ id, site }, n) => ({ id, name: `Person ${n}`, mail: `p${n}@example.org`, level: 'staff', siteId: site, groups: [site] })),
    'a long enough password',
    START,
  )
})
afterAll(() => server.close())

type Expected = Map<string, string | null>
const stored = async (): Promise<Expected> => {
  const rows = await server.parts.database.rows<{ person_id: string; due_at: Date | null; reasons: number }>(
    `select a.person_id, a.due_at, (select count(*)::int from assignment_reason r where r.assignment_id = a.id and r.kind = 'audience' and r.ref = $2) as reasons
     from assignment a where a.item_id = $1`,
    [guideId, audienceId],
  )
  for (const row of rows) expect(row.reasons).toBe(1)
  return new Map(rows.map((row) => [row.person_id, row.due_at?.toISOString() ?? null]))
}

describe('assigning a guide', () => {
  it('makes the assignments what the audience says, with dates, after any row of moves and edits', async () => {
    const random = seededRandom(2026)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
    const some = <T>(list: readonly T[], share: number): T[] => list.filter(() => random() < share)
    const { database } = server.parts
    let model: Expected = new Map()
    let due: DueRule = { kind: 'none' }
    let rule = ticked([], [])
    const belongs = (id: PersonId) =>
      rule.of.some((part) =>
        'groups' in part ? part.groups.some((group) => inside.get(group)!.has(id)) : 'people' in part && part.people.includes(id),
      )
    for (let round = 0; round < 40; round++) {
      const now = START + round * DAY
      const believe = (renewFor: ReadonlySet<PersonId>) => {
        const next: Expected = new Map()
        for (const { id, zone } of people) {
          if (!belongs(id)) continue
          const at = dueFor(due, now, { zone, startedOn: null, calendar: USUAL_CALENDAR, away: [] })?.at
          const had = model.get(id)
          next.set(id, had !== undefined && !renewFor.has(id) ? had : at === undefined ? null : new Date(at).toISOString())
        }
        model = next
      }
      for (const person of some(people, 0.3)) {
        const group = pick(groups)
        const set = inside.get(group)!
        if (!set.delete(person.id)) set.add(person.id)
        await server.services.changePerson(
          person.id,
          { groups: [person.site, ...groups.filter((each) => inside.get(each)!.has(person.id))] },
          now,
        )
        believe(new Set())
      }
      expect(await stored()).toEqual(model)

      rule = ticked(
        some(groups, 0.5),
        some(people, 0.15).map((person) => person.id),
      )
      due = pick<DueRule>([
        { kind: 'none' },
        { kind: 'days', days: 1 + Math.floor(random() * 30) },
        { kind: 'date', date: '2026-06-01' as LocalDate },
      ])
      const renewFor = new Set<PersonId>(some(people, 0.2).map((person) => person.id))
      await database.rows('update item_audience set due = $1', [JSON.stringify(due)])
      await database.rows('delete from audience_member')
      await database.rows('insert into audience_member select $1, x, $3 from unnest($2::text[]) x', [
        audienceId,
        people.filter(({ id }) => belongs(id)).map(({ id }) => id),
        new Date(now),
      ])
      await database.rows('update audience set rule = $1', [JSON.stringify(rule)])
      await database.transaction((tx) => assign(tx, nanoid, { item: guideItem(guideId) }, now, renewFor))
      believe(renewFor)
      expect(await stored()).toEqual(model)
    }
  }, 60_000)
})
