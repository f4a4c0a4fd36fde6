import type { DueRule, GivenFor } from '@jackdaw/core/assignments'
import type { ItemId, ItemKind, ItemRef } from '@jackdaw/core/items'
import type { NewId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { tellingOf, type Assigned } from './assign'
import { shareItems } from './lockItems'
import { lockLines, settle } from './settle'

/** What somebody is to have for a reason: an item, for what, and by when. */
export type WantedReason = { item: ItemRef; use: GivenFor; due: DueRule }
/** A reason: of which kind, under what it is known there, for whom, and who gave it. */
export type ReasonOf = { kind: string; ref: string; personId: PersonId; givenBy: PersonId; wanted: readonly WantedReason[] }

type Row = {
  kind: string
  ref: string
  person: PersonId
  giver: PersonId
  item_kind: ItemKind
  item: ItemId
  use: GivenFor
  due: DueRule
  id: string
}
const rowsOf = (all: readonly ReasonOf[], newId: NewId): Row[] =>
  all.flatMap(({ kind, ref, personId: person, givenBy: giver, wanted }) =>
    wanted.map(({ item, use, due }) => ({ kind, ref, person, giver, item_kind: item.kind, item: item.id, use, due, id: newId<string>() })),
  )
/** Ids compare by their bytes, so that rows are written in the order in which lines are locked. */
const ROWS =
  'jsonb_to_recordset($1::jsonb) as x (id text, kind text, ref text, person text collate "C", giver text, item_kind text collate "C", item text collate "C", use text, due jsonb)'

/** Makes what people have for some reasons just what these say: what is missing comes, what is there more goes, and what is said anew of something holds.
 * What somebody has done keeps its day.
 * @returns what has changed, by item */
export async function setReasons(tx: Db, newId: NewId, all: readonly ReasonOf[], now: number): Promise<Assigned[]> {
  if (all.length === 0) return []
  const rows = rowsOf(all, newId)
  const json = JSON.stringify(rows)
  const refs = all.map(({ ref }) => ref)
  const kinds = [...new Set(all.map(({ kind }) => kind))]
  await shareItems(tx, `select x.item_kind as kind, x.item as id from ${ROWS}`, [json])
  await lockLines(
    tx,
    `exists (select 1 from assignment_reason r where r.assignment_id = a.id and r.kind = any ($1) and r.ref = any ($2))
       or exists (select 1 from jsonb_to_recordset($3::jsonb) as x (person text, item_kind text, item text) where x.person = a.person_id and x.item_kind = a.item_kind and x.item = a.item_id)`,
    [kinds, refs, json],
  )
  const gone = await tx.rows<{ line: string }>(
    `delete from assignment_reason r using assignment a where r.assignment_id = a.id and r.kind = any ($2) and r.ref = any ($3)
       and not exists (select 1 from ${ROWS} where x.kind = r.kind and x.ref = r.ref and x.person = a.person_id and x.item_kind = a.item_kind and x.item = a.item_id)
     returning r.assignment_id as line`,
    [json, kinds, refs],
  )
  const made = await tx.rows<{ id: string; is_new: boolean }>(
    `insert into assignment (id, person_id, item_kind, item_id, assigned_at, use)
     select distinct on (x.item_kind, x.item, x.person) x.id, x.person, x.item_kind, x.item, $2::timestamptz, 'optional' from ${ROWS} order by x.item_kind, x.item, x.person
     on conflict (person_id, item_kind, item_id) do update set use = assignment.use returning id, xmax = 0 as is_new`,
    [json, new Date(now)],
  )
  const changed = await tx.rows<{ line: string }>(
    `insert into assignment_reason as r (assignment_id, kind, ref, given_by, given_at, use, due, counts_from)
     select a.id, x.kind, x.ref, x.giver, $2, x.use, x.due, $2 from ${ROWS} join assignment a on a.person_id = x.person and a.item_kind = x.item_kind and a.item_id = x.item
     on conflict (assignment_id, kind, ref) do update set use = excluded.use, due = excluded.due where (r.use, r.due) is distinct from (excluded.use, excluded.due)
     returning r.assignment_id as line`,
    [json, new Date(now)],
  )
  const fresh = new Set(made.flatMap(({ id, is_new }) => (is_new ? [id] : [])))
  const settled = await settle(tx, [...new Set([...gone, ...changed].map(({ line }) => line))])
  return tellingOf(tx, settled, { fresh })
}
