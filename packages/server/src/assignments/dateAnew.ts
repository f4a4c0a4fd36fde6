import { dueFor, type Due, type DueFacts, type DueRule } from '@jackdaw/core/assignments'
import type { ItemRef } from '@jackdaw/core/items'
import { groupedBy, known, type GroupId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Parts, PeopleFollower } from '../http'
import { columnsOf, doneSql } from '../items'
import { dueFactsOf } from './dueFacts'

type Line = {
  id: string
  person: PersonId
  due_on: LocalDate | null
  due_zone: string | null
  moved_on: LocalDate | null
  due: DueRule | null
  counts_from: Date | null
}

/** Counts anew by when people are to have done what they have not done yet: after somebody was away, came to another site, or a calendar was changed. */
export async function dateAnew(tx: Db, people: readonly PersonId[], item?: ItemRef): Promise<void> {
  const lines = await tx.rows<Line>(
    `select a.id, a.person_id as person, to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.due_zone, to_char(a.moved_on, 'YYYY-MM-DD') as moved_on, s.due, s.counts_from
     from assignment a left join assignment_reason s on s.assignment_id = a.id and s.due ->> 'kind' <> 'none' join item i on i.kind = a.item_kind and i.id = a.item_id
     left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
     where a.person_id = any ($1) and ($2::text is null or a.item_kind = $2 and a.item_id = $3) and (s.due is not null or a.moved_on is not null) and not ${doneSql(columnsOf('null', 'null'))}`,
    [people, item?.kind ?? null, item?.id ?? null],
  )
  if (lines.length === 0) return
  const facts = await dueFactsOf(tx, [...new Set(lines.map(({ person }) => person))])
  const moved = [...groupedBy(lines, ({ id }) => id).values()].flatMap((reasons) => {
    const [first] = reasons
    const due = earliest(reasons.flatMap((line) => dueOf(line, known(facts, line.person)) ?? []))
    return !due || (due.on === first!.due_on && due.zone === first!.due_zone) ? [] : [{ id: first!.id, ...due }]
  })
  if (moved.length === 0) return
  await tx.rows(
    `update assignment a set due_on = x."on", due_zone = x.zone, due_at = x.at from jsonb_to_recordset($1::jsonb) as x (id text, "on" date, zone text, at timestamptz) where a.id = x.id`,
    [JSON.stringify(moved.map(({ at, ...rest }) => ({ ...rest, at: new Date(at).toISOString() })))],
  )
}
/** By when a line is to be done for one of its reasons; a day that was set by hand goes before all of them. */
const dueOf = ({ moved_on, due, counts_from }: Line, facts: DueFacts): Due | null =>
  moved_on !== null
    ? dueFor({ kind: 'date', date: moved_on }, 0, facts)
    : due && counts_from
      ? dueFor(due, counts_from.getTime(), facts)
      : null
/** The due day that comes first. */
const earliest = (all: readonly Due[]): Due | undefined => [...all].sort((a, b) => a.at - b.at)[0]

/** The same of those of whom something has changed. */
export const dateChanged: PeopleFollower = (tx, _parts, { touched }) => dateAnew(tx, touched)

/** People whose days are counted in one transaction. */
const TOGETHER = 500
/** The same of everybody at a site. */
export async function dateSiteAnew({ database }: Parts, siteId: GroupId): Promise<void> {
  const people = await database.rows<{ id: PersonId }>('select id from person where site_id = $1 and active order by id', [siteId])
  for (let at = 0; at < people.length; at += TOGETHER)
    await database.transaction((tx) =>
      dateAnew(
        tx,
        people.slice(at, at + TOGETHER).map(({ id }) => id),
      ),
    )
}
