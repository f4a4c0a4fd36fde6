import { lineOf, type DueRule, type GivenFor, type Line, type LineFor } from '@jackdaw/core/assignments'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import { known, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { columnsOf, countPartsSeenOf, doneSql } from '../items'
import { dueFactsOf } from './dueFacts'

/** A person's line before and after: for what it was and is, and by when it is to be done. `after`: `null` where nothing is left of it. */
export type Settled = {
  id: string
  kind: ItemKind
  item: ItemId
  person: PersonId
  before: LineFor
  after: LineFor | null
  due: LocalDate | null
}
type Row = {
  id: string
  kind: ItemKind
  item: ItemId
  person: PersonId
  use: LineFor
  due_on: LocalDate | null
  due_zone: string | null
  repeat_months: number | null
  moved_on: LocalDate | null
  round_from: Date | null
  begun: boolean
  done: boolean
  reasons: { use: GivenFor; due: DueRule; from: number; months: number | null }[] | null
}
const LINES = `
  select a.id, a.item_kind as kind, a.item_id as item, a.person_id as person, a.use, to_char(a.due_on, 'YYYY-MM-DD') as due_on, a.due_zone, a.repeat_months,
    to_char(a.moved_on, 'YYYY-MM-DD') as moved_on, a.round_from, r.started_at is not null as begun, ${doneSql(columnsOf('null', 'null'))} as done,
    (select json_agg(json_build_object('use', s.use, 'due', s.due, 'from', extract(epoch from s.counts_from) * 1000, 'months', s.repeat_months))
      from assignment_reason s where s.assignment_id = a.id) as reasons
  from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id
  left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
  where a.id = any ($1) order by a.item_kind, a.item_id, a.person_id`

const isChanged = (row: Row, line: Line): boolean =>
  row.use !== line.use ||
  row.repeat_months !== line.repeatMonths ||
  (!row.done && (row.due_on !== (line.due?.on ?? null) || row.due_zone !== (line.due?.zone ?? null)))

/** Holds lines until the end of the transaction, always in one order, so that no two wait for each other: before a reason is added or taken away.
 * @param where a condition on a row `a` of `assignment` */
export const lockLines = (tx: Db, where: string, bind: unknown[]): Promise<unknown> =>
  tx.rows(`select 1 from assignment a where ${where} order by a.item_kind, a.item_id, a.person_id for update`, bind)

/** Makes lines what their reasons say. What is done keeps its day. Lines without a reason go, unless the person has begun.
 * @param ids of rows of `assignment`
 * @returns those that were there, by item */
export async function settle(tx: Db, ids: readonly string[]): Promise<Settled[]> {
  if (ids.length === 0) return []
  await lockLines(tx, 'a.id = any ($1)', [ids])
  const rows = await tx.rows<Row>(LINES, [ids])
  const facts = await dueFactsOf(tx, [...new Set(rows.map(({ person }) => person))])
  const lines = rows.map((row) => ({ row, line: lineFor(row) }))
  await write(tx, lines)
  return lines.map(({ row, line }) => ({
    ...{ id: row.id, kind: row.kind, item: row.item, person: row.person },
    ...{ before: row.use, after: line?.use ?? null, due: (row.done ? row.due_on : line?.due?.on) ?? null },
  }))

  function lineFor(row: Row): Line | null {
    const reasons = (row.reasons ?? []).map(({ use, due, from, months }) => ({ use, due, countsFrom: from, repeatMonths: months }))
    const roundFrom = row.round_from?.getTime() ?? null
    return lineOf(reasons, { begun: row.begun, movedOn: row.moved_on, roundFrom }, known(facts, row.person))
  }
}

async function write(tx: Db, lines: readonly { row: Row; line: Line | null }[]): Promise<void> {
  const gone = lines.flatMap(({ row, line }) => (line === null ? [row.id] : []))
  if (gone.length > 0) await tx.rows('delete from assignment where id = any ($1)', [gone])
  const changed = lines.flatMap(({ row, line }) => {
    if (line === null || !isChanged(row, line)) return []
    const { use, due, repeatMonths } = line
    const date = { due_on: due?.on ?? null, due_zone: due?.zone ?? null, due_at: due ? new Date(due.at).toISOString() : null }
    return [{ id: row.id, use, months: repeatMonths, keeps: row.done && use === 'to-do' && row.use === 'to-do', ...date }]
  })
  if (changed.length === 0) return
  await tx.rows(
    `update assignment a set use = x.use, repeat_months = x.months,
       due_on = case when x.keeps then a.due_on else x.due_on end, due_zone = case when x.keeps then a.due_zone else x.due_zone end,
       due_at = case when x.keeps then a.due_at else x.due_at end,
       moved_on = case when x.use = 'to-do' then a.moved_on end, round_from = case when x.use = 'to-do' then a.round_from end,
       waived_at = case when x.use = 'to-do' then w.at end
     from jsonb_to_recordset($1::jsonb) as x (id text, use text, months int, keeps bool, due_on date, due_zone text, due_at timestamptz)
       join assignment b on b.id = x.id
       left join waiver w on w.person_id = b.person_id and w.item_kind = b.item_kind and w.item_id = b.item_id and w.ended_at is null
     where a.id = x.id`,
    [JSON.stringify(changed)],
  )
  // What is not to be done has no rounds: all that was seen counts again.
  const ended = lines.flatMap(({ row, line }) => (row.round_from !== null && line !== null && line.use !== 'to-do' ? [row.id] : []))
  if (ended.length > 0) await countPartsSeenOf(tx, ended)
}
