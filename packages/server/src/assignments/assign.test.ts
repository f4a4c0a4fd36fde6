import { lineOf, type DueRule, type GivenFor } from '@jackdaw/core/assignments'
import { ticked } from '@jackdaw/core/audiences'
import { guideItem } from '@jackdaw/core/items'
import { known, seededRandom, type GivingId, type GroupId, type GuideId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { takeEvents } from '../events/intake'
import { aGuide, smallCompany, START, startTestServer, type Company, type TestServer } from '../testing/testServer'
import { dueFactsOf } from './dueFacts'
import { changeGiving, endGiving, give } from './givings'
import { handle } from './handle'
import { beginRounds } from './rounds'

const DAY = 86_400_000
let server: TestServer
let company: Company
let guide: { id: GuideId; steps: string[] }
const people: { id: PersonId; site: GroupId }[] = []
const groups = Array.from({ length: 5 }, () => nanoid<GroupId>())
/** Who is in which group, as the test believes it to be. */
const inside = new Map<GroupId, Set<PersonId>>(groups.map((group) => [group, new Set()]))

beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  guide = (await aGuide(server, company, 'lead', { openToAll: true })) as never
  const sites = [
    { id: nanoid<GroupId>(), kind: 'site', name: 'North House', zone: 'Europe/London' },
    { id: nanoid<GroupId>(), kind: 'site', name: 'Far depot', zone: 'Pacific/Auckland' },
  ] as const
  await server.services.addGroups([...sites, ...groups.map((id, n) => ({ id, kind: n < 3 ? 'team' : 'role', name: `Group ${n}` }))], START)
  for (let n = 0; n < 12; n++) people.push({ id: nanoid<PersonId>(), site: sites[n % 2]!.id })
  await server.services.addPeople(
    people.map(({ id, site }, n) => ({ id, name: `Person ${n}`, mail: `p${n}@example.org`, level: 'staff', siteId: site, groups: [site] })),
    'a long enough password',
    START,
  )
})
afterAll(() => server.close())

type Stored = {
  person: PersonId
  use: string
  due_at: Date | null
  moved_on: LocalDate | null
  round_from: Date | null
  waived: boolean
  repeat_months: number | null
  begun: boolean
  done: boolean
  open_waiver: boolean
  reasons: { ref: GivingId; use: GivenFor; due: DueRule; from: number; months: number | null }[] | null
}
const stored = (): Promise<Stored[]> =>
  server.parts.database.rows<Stored>(
    `select p.id as person, a.use, a.due_at, to_char(a.moved_on, 'YYYY-MM-DD') as moved_on, a.round_from, a.waived_at is not null as waived, a.repeat_months, r.started_at is not null as begun,
       coalesce(r.finished_edition >= i.required_edition and (a.round_from is null or r.last_finished_at >= a.round_from), false) as done,
       exists (select 1 from waiver w where w.person_id = p.id and w.ended_at is null) as open_waiver,
       (select json_agg(json_build_object('ref', s.ref, 'use', s.use, 'due', s.due, 'from', extract(epoch from s.counts_from) * 1000, 'months', s.repeat_months)) from assignment_reason s where s.assignment_id = a.id) as reasons
     from person p join item i on i.id = $1 left join assignment a on a.person_id = p.id and a.item_id = i.id left join item_progress r on r.person_id = p.id and r.item_id = i.id
     where p.id = any ($2) order by p.id`,
    [guide.id, people.map(({ id }) => id)],
  )

it('holds one line for each person and item, with just the reasons that givings say, after any row of joins, moves, editions, waivers and rounds', async () => {
  const random = seededRandom(2026)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const some = <T>(list: readonly T[], share: number): T[] => list.filter(() => random() < share)
  const { parts, services } = server
  const { database } = parts
  const item = guideItem(guide.id)
  const lead = company.people.lead
  const rules = new Map<GivingId, { groups: GroupId[]; people: PersonId[] }>()
  const dues: DueRule[] = [
    { kind: 'none' },
    { kind: 'days', days: 9 },
    { kind: 'days', days: 4, working: true },
    { kind: 'date', date: '2026-06-01' as LocalDate },
  ]
  const saving = (rule: { groups: GroupId[]; people: PersonId[] }) => ({
    audience: ticked(rule.groups, rule.people),
    use: pick<GivenFor>(['to-do', 'to-do', 'to-look-up']),
    due: pick(dues),
    repeatMonths: random() < 0.4 ? 1 : null,
  })
  const aRule = () => ({ groups: some(groups, 0.3), people: some(people, 0.1).map(({ id }) => id) })
  const seen = new Set<string>()

  for (let round = 0; round < 80; round++) {
    const now = START + round * 3 * DAY
    const how = { by: lead, now, mail: null, tell: true }
    for (const person of some(people, 0.3)) {
      const set = inside.get(pick(groups))!
      if (!set.delete(person.id)) set.add(person.id)
      await services.changePerson(person.id, { groups: [person.site, ...groups.filter((each) => inside.get(each)!.has(person.id))] }, now)
    }
    const act = pick([
      'give',
      'give',
      'change',
      'end',
      'publish',
      'read',
      'read',
      'finish',
      'finish',
      'waive',
      'end-waiver',
      'move',
      'rounds',
    ] as const)
    const [chosen] = some([...rules.keys()], 0.5)
    const rule = aRule()
    if (act === 'give' && rules.size < 4) rules.set((await give(parts, item, saving(rule), how)).id, rule)
    if (act === 'change' && chosen) {
      await changeGiving(parts, item, chosen, { ...saving(rule), dueForAll: random() < 0.5 }, how)
      rules.set(chosen, rule)
    }
    if (act === 'end' && chosen) {
      await endGiving(parts, item, chosen, how)
      rules.delete(chosen)
    }
    if (act === 'publish') {
      const { revision } = (await database.one<{ revision: number }>('select revision from draft where guide_id = $1', [guide.id]))!
      const rest = { changeNote: 'More', openToAll: true, due: pick(dues), audience: ticked(rule.groups, rule.people) }
      await services.publish(guide.id, { revision, mustReread: random() < 0.5, ...rest }, lead, now)
      const { id } = (await database.one<{ id: GivingId }>('select id from giving where publishing'))!
      rules.set(id, rule)
    }
    if (act === 'read' || act === 'finish')
      for (const { id } of some(people, act === 'read' ? 0.3 : 0.12)) {
        const told = {
          edition: (await database.one<{ edition: number }>('select edition from item where id = $1', [guide.id]))!.edition,
          item,
          way: 'read',
          occurredAt: now,
        }
        const events = [
          ...guide.steps.map((part) => ({ ...told, id: uuidV7(), verb: 'step-viewed', part })),
          { ...told, id: uuidV7(), verb: 'finished' },
        ]
        await takeEvents(database, parts.events, id, { sentAt: now, events: act === 'read' ? events.slice(0, 1) : events }, now)
      }
    const them = some(people, 0.4).map(({ id }) => id)
    if (act === 'waive') await handle(parts, item, them, { what: 'waive', why: 'Not now' }, lead, now)
    if (act === 'end-waiver') await handle(parts, item, them, { what: 'end-waiver' }, lead, now)
    if (act === 'move') await handle(parts, item, them, { what: 'move', on: '2026-07-01' as LocalDate }, lead, now)
    if (act === 'rounds') await beginRounds(parts, now)

    const facts = await dueFactsOf(
      database,
      people.map(({ id }) => id),
    )
    for (const line of await stored()) {
      const belongs = [...rules].flatMap(([id, { groups: of, people: named }]) =>
        of.some((group) => inside.get(group)!.has(line.person)) || named.includes(line.person) ? [id] : [],
      )
      const where = `${act} in round ${round}`
      expect([where, (line.reasons ?? []).map(({ ref }) => ref).sort()]).toEqual([where, belongs.sort()])
      const reasons = (line.reasons ?? []).map(({ use, due, from, months }) => ({ use, due, countsFrom: from, repeatMonths: months }))
      const expected = lineOf(
        reasons,
        { begun: line.begun, movedOn: line.moved_on, roundFrom: line.round_from?.getTime() ?? null },
        known(facts, line.person),
      )
      // Whoever had begun and was never given it has no line.
      if (line.use !== null || reasons.length > 0) expect([where, line.use]).toEqual([where, expected?.use ?? null])
      if (line.use === null) continue
      if (!line.done) expect([where, line.due_at?.getTime() ?? null]).toEqual([where, expected?.due?.at ?? null])
      expect([where, line.repeat_months]).toEqual([where, expected?.repeatMonths ?? null])
      expect([where, line.waived]).toEqual([where, line.open_waiver && line.use === 'to-do'])
      if (line.use !== 'to-do') expect([where, line.due_at, line.moved_on, line.round_from]).toEqual([where, null, null, null])
      seen.add(`${line.use}${line.done ? ' done' : ''}${line.round_from ? ' again' : ''}${line.waived ? ' waived' : ''}`)
    }
  }
  expect([...seen]).toEqual(expect.arrayContaining(['to-do', 'to-look-up', 'optional', 'to-do done', 'to-do again', 'to-do waived']))
}, 120_000)
