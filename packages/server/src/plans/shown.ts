import { MOST_SHOWN_IN_PLAN, type Enrolled, type MyPlan } from '@jackdaw/contracts/plans'
import { itemKey } from '@jackdaw/core/items'
import type { StageStanding } from '@jackdaw/core/plans'
import { addDays, known, type PersonId, type PlanId, type StageId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { othersFirst } from '../http'
import { forecastOf } from './forecast'
import { planOf } from './writing'
import { standingsOf, underWay, type UnderWay } from './underWay'

/** The stages of somebody's plan as they are shown. */
const stagesOf = (each: UnderWay, standings: readonly StageStanding[], expected: ReadonlyMap<StageId, StageStanding>): Enrolled['stages'] =>
  each.document.stages.map(({ id, name, items }, n) => {
    const standing = standings[n]!
    const isOpen = !standing.released && (standing.startsOn === null || standing.startsOn < each.today)
    const { startsOn, endsOn } = (isOpen ? expected.get(id) : undefined) ?? standing
    const required = items.filter(({ optional }) => !optional)
    const done = required.filter(({ item }) => each.happened.done.has(itemKey(item))).length
    return {
      ...{ id, name, startsOn, endsOn, released: standing.released, expected: isOpen },
      ...{ finishedOn: standing.released ? standing.finishedOn : null, required: required.length, done },
    }
  })

const NAMES = 'select p.id, p.name, s.name as site from person p join people_group s on s.id = p.site_id where p.id = any ($1)'
async function namesOf(db: Db, all: readonly UnderWay[]): Promise<Map<PersonId, { name: string; site: string }>> {
  const ids = [
    ...new Set(
      all.flatMap(({ person, mentor, checkIns }) => [
        person,
        ...(mentor ? [mentor] : []),
        ...[...checkIns.values()].flatMap(({ missing }) => missing),
      ]),
    ),
  ]
  const rows = await db.rows<{ id: PersonId; name: string; site: string }>(NAMES, [ids])
  return new Map(rows.map(({ id, name, site }) => [id, { name, site }]))
}
const refOf = (names: ReadonlyMap<PersonId, { name: string }>, id: PersonId | null) =>
  id === null ? null : { id, name: known(names, id).name }

/** The check-ins of the stages that somebody has come to. */
const checkInsOf = ({ checkIns }: UnderWay, names: ReadonlyMap<PersonId, { name: string }>): Enrolled['checkIns'] =>
  [...checkIns].map(([id, { name, askOn, asked, missing }]) => ({
    ...{ id, name, on: askOn, state: !asked ? 'coming' : missing.length > 0 ? 'waits' : 'over' },
    missing: missing.map((each) => ({ id: each, name: known(names, each).name })),
  }))

/** Who goes through a plan, and where they are. */
export async function enrolledIn(db: Db, id: PlanId, now: number): Promise<{ title: string; count: number; rows: Enrolled[] }> {
  const { document } = await planOf(db, id)
  const all = await underWay(db, 'e.plan_id = $1', [id], now)
  const names = await namesOf(db, all)
  const rows: Enrolled[] = []
  for (const each of all) {
    await othersFirst()
    const standings = standingsOf(each)
    const late = standings
      .filter(({ released }) => released)
      .flatMap(({ items }) => items)
      .filter(
        ({ item, optional, dueOn }) =>
          !optional && dueOn < each.today && !each.happened.done.has(itemKey(item)) && !each.waiting.has(itemKey(item)),
      )
      .sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1))
    const { name, site } = known(names, each.person)
    const forecast = forecastOf(each, standings)
    rows.push({
      ...{ id: each.id, person: { id: each.person, name, site }, mentor: refOf(names, each.mentor), edition: each.edition },
      ...{ startOn: each.facts.start, today: each.today, stages: stagesOf(each, standings, forecast.stages) },
      late: each.held === null ? late.map(({ item, dueOn }) => ({ item, title: each.titles.get(itemKey(item)) ?? '', dueOn })) : [],
      checkIns: checkInsOf(each, names),
      ...{ heldSince: each.held, overAt: each.overAt, endsOn: each.overAt === null ? forecast.endsOn : null },
    })
  }
  const order = (row: Enrolled) => [row.overAt === null ? 0 : 1, -row.late.length] as const
  rows.sort((a, b) => order(a)[0] - order(b)[0] || order(a)[1] - order(b)[1] || a.person.name.localeCompare(b.person.name))
  return { title: document.title, count: rows.length, rows: rows.slice(0, MOST_SHOWN_IN_PLAN) }
}

/** The plans that somebody goes through. */
export async function plansOf(db: Db, personId: PersonId, now: number): Promise<MyPlan[]> {
  const all = await underWay(db, 'e.person_id = $1 and e.over_at is null', [personId], now)
  const names = await namesOf(db, all)
  return all.map((each): MyPlan => {
    const standings = standingsOf(each)
    const next = standings.find(({ released }) => !released)
    const isFree = standings.every(({ released, finishedOn }) => !released || finishedOn !== null)
    return {
      ...{ id: each.planId, title: each.document.title, about: each.document.about, mentor: refOf(names, each.mentor) },
      ...{ stages: stagesOf(each, standings, new Map()), heldSince: each.held },
      freeUntil: isFree && next?.startsOn && next.startsOn > each.today ? addDays(next.startsOn, -1) : null,
      endsOn: forecastOf(each, standings).endsOn,
    }
  })
}
