import { dueFor, type Due, type DueRule } from '@jackdaw/core/assignments'
import { groupedBy, known, type GroupId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Parts, PeopleFollower } from '../http'
import { columnsOf, doneSql } from '../items'
import { dueFactsOf } from './dueFacts'

type Line = { id: string; person: PersonId; due_on: LocalDate | null; due_zone: string | null; due: DueRule; counts_from: Date }

/** Counts anew by when people are to have done what they have not done yet: after somebody was away, came to another site, or a calendar was changed. */
async function dateAnew(tx: Db, people: readonly PersonId[]): Promise<void> {
  const lines = await tx.rows<Line>(
    `select a.id, a.person_id as person, to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.due_zone, s.due, s.counts_from
     from assignment a join assignment_reason s on s.assignment_id = a.id and s.due ->> 'kind' <> 'none' join item i on i.kind = a.item_kind and i.id = a.item_id
     left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
     where a.person_id = any ($1) and not ${doneSql(columnsOf('null', 'null'))}`,
    [people],
  )
  if (lines.length === 0) return
  const facts = await dueFactsOf(tx, [...new Set(lines.map(({ person }) => person))])
  const moved = [...groupedBy(lines, ({ id }) => id).values()].flatMap((reasons) => {
    const [first] = reasons
    const due = earliest(reasons.flatMap((line) => dueFor(line.due, line.counts_from.getTime(), known(facts, line.person)) ?? []))
    return !due || (due.on === first!.due_on && due.zone === first!.due_zone) ? [] : [{ id: first!.id, ...due }]
  })
  if (moved.length === 0) return
  await tx.rows(
    `update assignment a set due_on = x."on", due_zone = x.zone, due_at = x.at from jsonb_to_recordset($1::jsonb) as x (id text, "on" date, zone text, at timestamptz) where a.id = x.id`,
    [JSON.stringify(moved.map(({ at, ...rest }) => ({ ...rest, at: new Date(at).toISOString() })))],
  )
}
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
