import type { Goal, GoalGroup, GoalPart, GoalPerson, GoalResult, GoalStep, NewGoal } from '@jackdaw/contracts/goals'
import {
  coursesOf,
  medianTime,
  reachedOf,
  sharesWithin,
  standingAt,
  timesOf,
  type Reached,
  type Span,
  type Standing,
} from '@jackdaw/core/engagement'
import type { Verbs } from '@jackdaw/core/events'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { GoalId, GroupId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'
import { finishesSql } from '../items'
import type { Among } from '../people'
import { ofItemsSql, ofPeopleSql, scopeParam } from './scope'
import { PAGE_SIZE } from './usedItems'

type Called = { kind: ItemKind; id: ItemId; number: number; title: string }
const calledOf = async (db: Db, ids: readonly ItemId[]): Promise<Map<ItemId, Called>> => {
  const rows = await db.rows<Called>('select kind, id, number, title from item where id = any ($1) and title is not null', [ids])
  return new Map(rows.map((row) => [row.id, row]))
}

const itemsIn = (steps: readonly GoalStep[]): ItemId[] => steps.flatMap((step) => ('item' in step ? [step.item] : []))

/** The goals, by name; or one of them. */
export async function goalsOf(db: Db, only: GoalId | null = null): Promise<Goal[]> {
  type Row = { id: GoalId; name: string; from_id: ItemId; steps: GoalStep[] }
  const rows = await db.rows<Row>('select id, name, from_id, steps from goal where $1::text is null or id = $1 order by name, id', [only])
  const called = await calledOf(db, [...new Set(rows.flatMap((row) => [row.from_id, ...itemsIn(row.steps)]))])
  const item = (id: ItemId) => {
    const { kind, number, title } = called.get(id) ?? fail('not-found')
    return { ref: itemRefOf(kind, id), number, title }
  }
  return rows.map(({ id, name, from_id, steps }) => ({
    id,
    name,
    from: item(from_id),
    steps: steps.map((step) => ({
      item: 'item' in step ? item(step.item) : null,
      act: 'act' in step ? step.act : null,
      withinDays: step.withinDays,
    })),
  }))
}
export const goalOf = async (db: Db, id: GoalId): Promise<Goal> => (await goalsOf(db, id))[0] ?? fail('not-found')

/** Names a goal, or changes it. All that it speaks of is published. */
export async function saveGoal(db: Db, id: GoalId, { name, from, steps }: NewGoal, by: PersonId, now: number): Promise<void> {
  const called = await calledOf(db, [from, ...itemsIn(steps)])
  const start = called.get(from)
  if (!start || itemsIn(steps).some((item) => !called.has(item)))
    fail('not-found', 'One of the items is not there, or has not been published yet.')
  await db.rows(
    `insert into goal (id, name, from_kind, from_id, steps, made_by, made_at) values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (id) do update set name = excluded.name, from_kind = excluded.from_kind, from_id = excluded.from_id, steps = excluded.steps`,
    [id, name, start.kind, from, JSON.stringify(steps), by, new Date(now)],
  )
}
export async function dropGoal(db: Db, id: GoalId): Promise<void> {
  const gone = await db.rows('delete from goal where id = $1 returning 1', [id])
  if (gone.length === 0) fail('not-found')
}

/** Somebody on the way. */
type Under = { person: { id: PersonId; name: string }; beganAt: number; reached: Reached; groups: readonly GroupId[] }
/** Who viewed the first thing for the first time in these days, with when they came to each step. */
async function underWay(db: Db, verbs: Verbs, goal: Goal, among: Among, { from, to }: Span): Promise<Under[]> {
  type Row = { id: PersonId; name: string; began_at: Date; done: { what: string; at: number }[]; groups: GroupId[] }
  const scope = { item: goal.from.ref.id, among, keptSince: null }
  const rows = await db.rows<Row>(
    `with began as materialized (
       select f.* from (select u.person_id, u.local_day, u.at from use_day u where u.views > 0 and u.viewed_before is null and ${ofItemsSql(scope, 'u')}) f
       where f.local_day between $2::date and $3::date and ${ofPeopleSql({ among }, 'f')}),
     done as (
       select e.subject_id as person_id, e.item_id as what, e.occurred_at as at from (select * from event_counted where subject_kind = 'person' and ${finishesSql(verbs)}) e where e.item_id = any ($4)
       union all select a.person_id, a.name, a.at from told_act a where a.name = any ($5)),
     told as (
       select d.person_id, jsonb_agg(jsonb_build_object('what', d.what, 'at', (extract(epoch from d.at) * 1000)::bigint)) as done
       from done d join began b on b.person_id = d.person_id group by d.person_id)
     select p.id, p.name, b.at as began_at, coalesce(t.done, '[]') as done,
       array(select q.group_id from membership q where q.person_id = b.person_id and q.since <= b.at and (q.until is null or q.until > b.at)) as groups
     from began b join person p on p.id = b.person_id left join told t on t.person_id = b.person_id order by b.at desc, p.id`,
    [
      scopeParam(scope),
      from,
      to,
      goal.steps.flatMap(({ item }) => (item ? [item.ref.id] : [])),
      goal.steps.flatMap(({ act }) => act ?? []),
    ],
  )
  const within = goal.steps.map(({ withinDays }) => withinDays)
  return rows.map(({ id, name, began_at, done, groups }) => {
    const doneAt = goal.steps.map(({ item, act }) => done.filter((each) => each.what === (item?.ref.id ?? act)).map(({ at }) => at))
    return {
      person: { id, name },
      groups,
      beganAt: began_at.getTime(),
      reached: reachedOf({ beganAt: began_at.getTime(), doneAt }, within),
    }
  })
}
const standings = (goal: Goal, people: readonly Under[], step: number, now: number): Standing[] =>
  people.map(({ beganAt, reached }) =>
    standingAt(
      step,
      beganAt,
      reached,
      goal.steps.map(({ withinDays }) => withinDays),
      now,
    ),
  )

type Asked = { goal: Goal; among: Among; span: Span; now: number }
/** How many of those who began came to each step. */
export async function goalResult(db: Db, verbs: Verbs, { goal, among, span, now }: Asked): Promise<Omit<GoalResult, 'everybody'>> {
  const people = await underWay(db, verbs, goal, among, span)
  const steps = goal.steps.map((_, step) => {
    const each = standings(goal, people, step, now)
    const courses = coursesOf(each)
    const { unit, unitMs, times } = timesOf(goal.steps[step]?.withinDays ?? 1)
    const shares = sharesWithin(
      courses,
      times.map((time) => time * unitMs),
    )
    return {
      of: courses.length,
      reached: each.filter((one) => one?.is === 'reached').length,
      underWay: each.filter((one) => one?.is === 'under-way').length,
      medianMs: medianTime(courses),
      unit,
      curve: courses.length === 0 ? [] : times.flatMap((at, n) => (shares[n] ? [{ at, ...shares[n] }] : [])),
    }
  })
  return { goal, span, began: people.length, steps, groups: await groupsOf(db, people) }
}
const KINDS = ['department', 'site', 'team'] as const
/** The same by the groups in which they were when they began. */
async function groupsOf(db: Db, people: readonly Under[]): Promise<GoalGroup[]> {
  const members = new Map<GroupId, Under[]>()
  for (const one of people) for (const id of one.groups) members.set(id, [...(members.get(id) ?? []), one])
  const groups = await db.rows<Pick<GoalGroup, 'kind' | 'id' | 'name'>>(
    'select kind_id as kind, id, name from people_group where id = any ($1) and kind_id = any ($2) order by kind_id, name, id',
    [[...members.keys()], KINDS],
  )
  return groups.map((group) => {
    const inIt = members.get(group.id) ?? []
    const reached = (inIt[0]?.reached ?? []).map((_, step) => inIt.filter((one) => (one.reached[step] ?? null) !== null).length)
    return { ...group, began: inIt.length, reached }
  })
}

/** The people whom a figure of the goal counts, who began last first. */
export async function goalPeople(
  db: Db,
  verbs: Verbs,
  asked: Asked,
  { part, step = 0, page }: { part: GoalPart; step?: number | undefined; page: number },
): Promise<{ goal: Goal; rows: GoalPerson[]; total: number }> {
  const { goal, among, span, now } = asked
  if (step >= goal.steps.length) fail('invalid', 'The goal has no such step.')
  const people = await underWay(db, verbs, goal, among, span)
  const each = standings(goal, people, step, now)
  const listed = people.filter((_, n) => part === 'began' || each[n]?.is === part)
  return {
    goal,
    total: listed.length,
    rows: listed
      .slice((page - 1) * PAGE_SIZE, page * PAGE_SIZE)
      .map(({ person, beganAt, reached }) => ({ person, beganAt, reachedAt: [...reached] })),
  }
}
