import type { Away } from '@jackdaw/core/calendar'
import { itemKey, itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import {
  itemsOfPlan,
  standingOf,
  type Happened,
  type PlanDocument,
  type PlanFacts,
  type Question,
  type StageStanding,
} from '@jackdaw/core/plans'
import {
  addDays,
  groupedBy,
  known,
  localDateAt,
  type CheckInId,
  type EnrolmentId,
  type LocalDate,
  type PersonId,
  type PlanId,
  type PlannedCheckInId,
  type StageId,
} from '@jackdaw/core/shared'
import { dueFactsOf } from '../assignments'
import type { Db } from '../db'
import { CLOSED_AT, columnsOf, doneSql, waitingSql } from '../items'

/** Somebody's going through a plan, with all that has to be known to say how it stands. `document`: what it says now of what can be used; `titles` of its
 * items. `held`: since when it is held for them. */
export type UnderWay = {
  id: EnrolmentId
  planId: PlanId
  edition: number
  person: PersonId
  giver: PersonId
  mentor: PersonId | null
  startOn: LocalDate
  document: PlanDocument
  titles: ReadonlyMap<string, string>
  facts: PlanFacts
  happened: Happened
  /** What they have handed in and somebody else has to judge, by its key. */
  waiting: ReadonlySet<string>
  /** The check-ins of the stages that they have come to, by what stands in the plan. */
  checkIns: ReadonlyMap<PlannedCheckInId, CheckInUnderWay>
  today: LocalDate
  held: LocalDate | null
  overAt: number | null
  active: boolean
}

/** A check-in of somebody: what they are, or will be, asked. `missing`: of whom there is no answer yet, once it was asked. */
type CheckInUnderWay = {
  id: CheckInId
  name: string
  questions: readonly Question[]
  askOn: LocalDate
  asked: boolean
  missing: readonly PersonId[]
}

type Row = {
  id: EnrolmentId
  plan_id: PlanId
  edition: number
  person_id: PersonId
  given_by: PersonId
  given_at: Date
  mentor_id: PersonId | null
  start_on: LocalDate
  over_at: Date | null
  document: PlanDocument
  active: boolean
}
type CheckInRow = Omit<CheckInUnderWay, 'askOn' | 'missing'> & {
  enrolment: EnrolmentId
  planned: PlannedCheckInId
  ask_on: LocalDate
  missing: PersonId[] | null
}
type HoldRow = { enrolment_id: EnrolmentId; from_on: LocalDate; until_on: LocalDate | null }
type ItemRow = { kind: ItemKind; id: ItemId; title: string }
/** `at`: when it was done; `null` for what was handed in and waits for somebody else. */
type DoneRow = { person: PersonId; kind: ItemKind; id: ItemId; at: Date | null }

/** What can be used of a plan: its items that are published and not archived. What is not is passed over. */
const usableOf = (document: PlanDocument, usable: { has(key: string): boolean }): PlanDocument => ({
  ...document,
  stages: document.stages.map((stage) => ({ ...stage, items: stage.items.filter(({ item }) => usable.has(itemKey(item))) })),
})

/** As long as a plan is held nobody knows until when; it counts as away for so long. */
const LONG_DAYS = 800
const awayWhileHeld = ({ from_on: from, until_on: until }: HoldRow, today: LocalDate): Away => ({
  from,
  until: until ?? addDays(today, LONG_DAYS),
})

/** The items among these that can be used, with their titles. */
async function usableItems(db: Db, ids: readonly ItemId[]): Promise<Map<string, string>> {
  const rows = await db.rows<ItemRow>(
    'select kind, id, title from item where id = any ($1) and edition is not null and archived_at is null',
    [[...ids]],
  )
  return new Map(rows.map(({ kind, id, title }) => [itemKey(itemRefOf(kind, id)), title]))
}

const COLUMNS = columnsOf('null', 'null')
/** When people have done which of some items, where they are done in what counts now; and which they have handed in. */
async function doneBy(db: Db, people: readonly PersonId[], ids: readonly ItemId[]): Promise<Map<PersonId, DoneRow[]>> {
  const rows = await db.rows<DoneRow>(
    `select r.person_id as person, r.item_kind as kind, r.item_id as id, case when ${doneSql(COLUMNS)} then ${CLOSED_AT} end as at from item_progress r join item i on i.kind = r.item_kind and i.id = r.item_id
     left join assignment a on a.item_kind = r.item_kind and a.item_id = r.item_id and a.person_id = r.person_id
     where r.person_id = any ($1) and r.item_id = any ($2) and (${doneSql(COLUMNS)} or ${waitingSql(COLUMNS)})`,
    [[...people], [...ids]],
  )
  return groupedBy(rows, ({ person }) => person)
}
/** What somebody need not do counts as done on the day on which that was said. */
const WAIVED = `select a.person_id as person, a.item_kind as kind, a.item_id as id, a.waived_at as at from assignment a where a.person_id = any ($1) and a.item_id = any ($2) and a.waived_at is not null`

/** Which stages were released for enrolments, and when they were held. */
async function walkedBy(db: Db, ids: readonly EnrolmentId[]) {
  const stages = groupedBy(
    await db.rows<{ id: EnrolmentId; stage: StageId; on: LocalDate }>(
      `select enrolment_id as id, stage_id as stage, to_char(released_on, 'YYYY-MM-DD') as on from enrolment_stage where enrolment_id = any ($1)`,
      [[...ids]],
    ),
    ({ id }) => id,
  )
  const holds = groupedBy(
    await db.rows<HoldRow>(
      `select enrolment_id, to_char(from_on, 'YYYY-MM-DD') as from_on, to_char(until_on, 'YYYY-MM-DD') as until_on from enrolment_hold where enrolment_id = any ($1)`,
      [[...ids]],
    ),
    (row) => row.enrolment_id,
  )
  return { stages, holds, checkIns: groupedBy(await db.rows<CheckInRow>(CHECK_INS, [[...ids]]), ({ enrolment }) => enrolment) }
}
const CHECK_INS = `
  select c.id, c.enrolment_id as enrolment, c.planned_id as planned, c.name, c.questions, to_char(c.ask_on, 'YYYY-MM-DD') as ask_on, c.asked_at is not null as asked,
    (select array_agg(x.id order by x.id <> c.person_id) from (values (c.person_id, 'person'), (c.manager_id, 'manager')) as x (id, side)
     where x.id is not null and c.closed_at is null and not exists (select 1 from check_in_answers a where a.check_in_id = c.id and a.side = x.side)) as missing
  from check_in c where c.enrolment_id = any ($1) order by c.ask_on, c.id`
const checkInOf = ({ id, name, questions, ask_on: askOn, asked, missing }: CheckInRow): CheckInUnderWay => ({
  ...{ id, name, questions, askOn, asked },
  missing: asked ? (missing ?? []) : [],
})

/** Enrolments that have not ended, as they stand.
 * @param where a condition on a row `e` of `enrolment`; @param lock hold them until the end of the transaction; @param document what the plan says, instead of what it says */
export async function underWay(
  db: Db,
  where: string,
  bind: unknown[],
  now: number,
  { lock = false, document: otherwise }: { lock?: boolean; document?: PlanDocument } = {},
): Promise<UnderWay[]> {
  const rows = await db.rows<Row>(
    `select e.id, e.plan_id, e.edition, e.person_id, e.given_by, e.given_at, q.id as mentor_id, to_char(e.start_on, 'YYYY-MM-DD') as start_on, e.over_at, d.document, p.active
     from enrolment e join plan_edition d on d.plan_id = e.plan_id and d.number = e.edition join person p on p.id = e.person_id left join person q on q.id = e.mentor_id and q.active
     where e.ended_at is null and ${where} order by e.id ${lock ? 'for update of e' : ''}`,
    bind,
  )
  if (rows.length === 0) return []
  if (otherwise) for (const row of rows) row.document = otherwise
  const [people, ids] = [[...new Set(rows.map((row) => row.person_id))], rows.map((row) => row.id)]
  const items = [...new Set(rows.flatMap(({ document }) => itemsOfPlan(document).map(({ item }) => item.id)))]
  const facts = await dueFactsOf(db, people)
  const titles = await usableItems(db, items)
  const done = await doneBy(db, people, items)
  const waived = groupedBy(await db.rows<DoneRow>(WAIVED, [people, items]), ({ person }) => person)
  const { stages, holds, checkIns } = await walkedBy(db, ids)
  return rows.map((row): UnderWay => {
    const { zone, calendar, away } = known(facts, row.person_id)
    const today = localDateAt(now, zone)
    const given = localDateAt(row.given_at.getTime(), zone)
    const held = holds.get(row.id) ?? []
    const keysDone = [...(done.get(row.person_id) ?? []), ...(waived.get(row.person_id) ?? [])]
    return {
      ...{ id: row.id, planId: row.plan_id, edition: row.edition, person: row.person_id, giver: row.given_by, mentor: row.mentor_id },
      ...{ startOn: row.start_on, overAt: row.over_at?.getTime() ?? null, active: row.active, today, titles },
      document: usableOf(row.document, titles),
      facts: {
        start: row.start_on > given ? row.start_on : given,
        calendar,
        away: [...away, ...held.map((each) => awayWhileHeld(each, today))],
      },
      happened: {
        released: new Map((stages.get(row.id) ?? []).map(({ stage, on }) => [stage, on])),
        done: new Map(
          keysDone.flatMap(({ kind, id, at }) => (at ? [[itemKey(itemRefOf(kind, id)), localDateAt(at.getTime(), zone)] as const] : [])),
        ),
      },
      waiting: new Set(keysDone.flatMap(({ kind, id, at }) => (at ? [] : [itemKey(itemRefOf(kind, id))]))),
      checkIns: new Map((checkIns.get(row.id) ?? []).map((each) => [each.planned, checkInOf(each)])),
      held: held.find(({ until_on }) => until_on === null)?.from_on ?? null,
    }
  })
}

/** How the stages of somebody's plan stand. */
export const standingsOf = ({ document, facts, happened }: UnderWay): StageStanding[] => standingOf(document, facts, happened)
