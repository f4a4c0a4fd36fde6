import type { PlanTouches } from '@jackdaw/contracts/plans'
import { itemKey } from '@jackdaw/core/items'
import { checkInsOfPlan, planChange, type PlanDocument, type PlanPart } from '@jackdaw/core/plans'
import type { PersonId, PlanId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { othersFirst, type Parts } from '../http'
import { advance } from './advance'
import { forecastOf } from './forecast'
import { standingsOf, underWay } from './underWay'
import { planOf, publishPlan } from './writing'

const UNDER_WAY = 'e.plan_id = $1 and e.over_at is null'

/** Who would be touched, and how, if what is written held for those who go through a plan. */
export async function lookAtEdition(db: Db, id: PlanId, document: PlanDocument, now: number): Promise<PlanTouches> {
  await planOf(db, id)
  const [before, after] = [await underWay(db, UNDER_WAY, [id], now), await underWay(db, UNDER_WAY, [id], now, { document })]
  const then = new Map(after.map((each) => [each.id, each]))
  const rows = await db.rows<{ id: PersonId; name: string }>('select id, name from person where id = any ($1) order by name, id', [
    before.map(({ person }) => person),
  ])
  const nameOf = new Map(rows.map(({ id: person, name }) => [person, name]))
  const people: PlanTouches['people'] = []
  for (const each of before) {
    const next = then.get(each.id)
    if (!next) continue
    await othersFirst()
    const [had, has] = [standingsOf(each), standingsOf(next)]
    const asked = new Set([...each.checkIns].flatMap(([key, checkIn]) => (checkIn.asked ? [key] : [])))
    const { comes, goes, moves, isChanged } = planChange(had, has, each.happened.done, asked)
    const [endsOn, endsOnThen] = [forecastOf(each, had).endsOn, forecastOf(next, has).endsOn]
    if (!isChanged && endsOn === endsOnThen) continue
    const namesOf = [next, each].map(({ document: says, titles }) => ({ titles, checkIns: checkInsOfPlan(says) }))
    const named = (part: PlanPart) => {
      const titleIn = ({ titles, checkIns }: (typeof namesOf)[number]) =>
        'item' in part ? titles.get(itemKey(part.item)) : checkIns.find(({ id: key }) => key === part.checkIn)?.name
      return { title: namesOf.map(titleIn).find((title) => title !== undefined) ?? '', checkIn: 'checkIn' in part }
    }
    people.push({
      person: { id: each.person, name: nameOf.get(each.person) ?? '' },
      ...{ comes: comes.map(named), goes: goes.map(named), endsOn, endsOnThen },
      moves: moves.map(({ part, from, to }) => ({ ...named(part), from, to })),
    })
  }
  people.sort((a, b) => a.person.name.localeCompare(b.person.name))
  return { people, others: before.length - people.length }
}

/** Publishes a plan. @param forAll whether the new edition holds for those who go through it already too
 * @returns its number */
export async function publishEdition(
  parts: Parts,
  id: PlanId,
  { revision, forAll }: { revision: number; forAll: boolean },
  by: PersonId,
  now: number,
): Promise<number> {
  return parts.database.transaction(async (tx) => {
    const number = await publishPlan(tx, id, revision, by, now)
    if (forAll) {
      await tx.rows('update enrolment set edition = $2 where plan_id = $1 and ended_at is null and over_at is null', [id, number])
      await advance(tx, parts, UNDER_WAY, [id], now)
    }
    return number
  })
}
