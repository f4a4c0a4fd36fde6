import type { ItemFacts } from '@jackdaw/contracts/items'
import type { PlanRow } from '@jackdaw/contracts/plans'
import { itemKey } from '@jackdaw/core/items'
import { itemsOfPlan, timeLineOf, type PlanDocument } from '@jackdaw/core/plans'
import type { PersonId, PlanId } from '@jackdaw/core/shared'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { fail, failField } from '../http'
import { factsOf } from '../items'
import { PLAN, PLAN_EDITION, type PlanRow as Row } from './model'

/** A plan that is there. @param lock hold it until the end of the transaction
 * @throws `not-found` */
export const planOf = async (db: Db, id: PlanId, lock = false): Promise<Row> =>
  ((await db.in(PLAN).one({ id }, lock ? { lock } : {})) as Row | undefined) ?? fail('not-found')

/** What is to be known of the items of a plan, in its order; such as are not there are left out. */
export async function itemFactsOf(db: Db, document: PlanDocument): Promise<ItemFacts[]> {
  const items = itemsOfPlan(document).map(({ item }) => item)
  const found = new Map((await factsOf(db, items)).map((facts) => [itemKey(facts.item), facts]))
  return items.flatMap((item) => found.get(itemKey(item)) ?? [])
}

/** Refuses a document in which something stands that is no item. */
async function check(db: Db, document: PlanDocument): Promise<void> {
  const known = new Set((await itemFactsOf(db, document)).map(({ item }) => itemKey(item)))
  if (itemsOfPlan(document).some(({ item }) => !known.has(itemKey(item))))
    failField('body/document/stages', 'Something in the plan is not there any more. Take it out, then save.')
}

/** Makes a plan. */
export async function createPlan(db: Db, plan: { id: PlanId; document: PlanDocument; ownerId: PersonId; now: number }): Promise<void> {
  const { id, document, ownerId, now } = plan
  await check(db, document)
  await db.in(PLAN).insert({ id, ownerId, document, revision: 1, createdAt: now, changedAt: now, changedBy: ownerId })
}

/** Writes a plan anew. @returns its revision
 * @throws `draft-moved-on` when somebody has changed it meanwhile */
export async function savePlan(
  db: Db,
  id: PlanId,
  { revision, document }: { revision: number; document: PlanDocument },
  by: PersonId,
  now: number,
): Promise<number> {
  await check(db, document)
  return db.transaction(async (tx) => {
    const was = await planOf(tx, id, true)
    if (was.revision !== revision)
      fail('draft-moved-on', 'Somebody has changed this plan while it was open here. Load it again to see what it says now.')
    await tx.in(PLAN).update({ document, revision: revision + 1, changedAt: now, changedBy: by }, { id })
    return revision + 1
  })
}

/** Publishes what a plan says as its next edition; what is the newest one already stays that. @returns its number */
export async function publishPlan(tx: Db, id: PlanId, revision: number, by: PersonId, now: number): Promise<number> {
  const plan = await planOf(tx, id, true)
  if (plan.archivedAt !== null) fail('item-archived', 'Take the plan out of the archive to publish it.')
  if (plan.revision !== revision)
    fail('draft-moved-on', 'Somebody has changed this plan while it was open here. Look at it again, then publish.')
  if (itemsOfPlan(plan.document).length === 0)
    failField('body/revision', 'There is nothing in the plan yet. Put something into a stage, then publish.')
  if (plan.edition !== null) {
    const newest = await tx.in(PLAN_EDITION).one({ planId: id, number: plan.edition }, { only: ['revision'] })
    if (newest?.revision === revision) return plan.edition
  }
  const number = (plan.edition ?? 0) + 1
  await tx.in(PLAN_EDITION).insert({ planId: id, number, revision, document: plan.document, publishedAt: now, publishedBy: by })
  await tx.in(PLAN).update({ edition: number }, { id })
  return number
}

/** Whether a plan says something else than its newest edition. */
export const isChanged = async (db: Db, { id, edition, revision }: Pick<Row, 'id' | 'edition' | 'revision'>): Promise<boolean> =>
  edition === null || (await db.in(PLAN_EDITION).one({ planId: id, number: edition }, { only: ['revision'] }))?.revision !== revision

/** The plans of the company, those changed last on top. */
export async function listPlans(db: Db, archived: boolean): Promise<PlanRow[]> {
  const rows = await db.in(PLAN).find({ archivedAt: archived ? { [Op.ne]: null } : null }, { order: [['changedAt', 'desc']] as never })
  const ids = rows.map(({ id }) => id)
  const people = await db.rows<{ plan: PlanId; under_way: number; over: number }>(
    `select plan_id as plan, count(*) filter (where over_at is null)::int as under_way, count(*) filter (where over_at is not null)::int as over
     from enrolment where ended_at is null and plan_id = any ($1) group by plan_id`,
    [ids],
  )
  const names = await db.rows<{ id: PersonId; name: string }>('select id, name from person where id = any ($1)', [
    rows.map((row) => row.ownerId),
  ])
  const [peopleOf, nameOf] = [new Map(people.map((each) => [each.plan, each])), new Map(names.map(({ id, name }) => [id, name]))]
  const list: PlanRow[] = []
  for (const { id, document, ownerId, edition, revision, archivedAt, changedAt } of rows) {
    const counted = peopleOf.get(id)
    list.push({
      ...{ id, title: document.title, stages: document.stages.length, items: itemsOfPlan(document).length },
      days: timeLineOf(document, () => 0).length,
      owner: { id: ownerId, name: nameOf.get(ownerId) ?? '' },
      ...{ edition: edition ?? null, changed: edition !== null && (await isChanged(db, { id, edition, revision })) },
      ...{ archived: archivedAt !== null, changedAt, underWay: counted?.under_way ?? 0, over: counted?.over ?? 0 },
    })
  }
  return list
}
