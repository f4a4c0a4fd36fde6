import { nextRound } from '@jackdaw/core/assignments'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import { groupedBy, type PersonId } from '@jackdaw/core/shared'
import type { Parts } from '../http'
import { notify } from '../inbox'
import { CLOSED_AT, columnsOf, countPartsSeenOf, doneSql } from '../items'
import { settle } from './settle'

type Row = { id: string; kind: ItemKind; item: ItemId; title: string; finished_at: Date; months: number; zone: string }

/** A day at either end, so that no zone is left out; the core says when exactly. */
const DAY_MS = 86_400_000
/** Lines that begin a new round in one transaction. */
const TOGETHER = 500

const DUE_AGAIN = `
  select a.id, a.item_kind as kind, a.item_id as item, i.title, x.finished_at, a.repeat_months as months, s.zone
  from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id and i.archived_at is null
  join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
  join person p on p.id = a.person_id and p.active join people_group s on s.id = p.site_id
  cross join lateral (select ${CLOSED_AT} as finished_at) x
  where a.repeat_months is not null and ${doneSql(columnsOf('null', 'null'))} and x.finished_at + make_interval(months => a.repeat_months) <= $1 order by a.id`

/** Begins new rounds of what is to be done again and again, for those whose time has come: it counts as not done from then on, and is due anew. */
export async function beginRounds(parts: Parts, now: number): Promise<number> {
  const { database } = parts
  const rows = await database.rows<Row>(DUE_AGAIN, [new Date(now + DAY_MS)])
  const due = rows.flatMap((row) => {
    const { from } = nextRound(row.finished_at.getTime(), row.months, row.zone)
    return from <= now ? [{ ...row, from }] : []
  })
  for (let at = 0; at < due.length; at += TOGETHER) {
    const some = due.slice(at, at + TOGETHER)
    await database.transaction(async (tx) => {
      const begun = await tx.rows<{ id: string }>(
        `update assignment a set round_from = x."from", moved_on = null from jsonb_to_recordset($1::jsonb) as x (id text, "from" timestamptz)
         where a.id = x.id and (a.round_from is null or a.round_from < x."from") returning a.id`,
        [JSON.stringify(some.map(({ id, from }) => ({ id, from: new Date(from).toISOString() })))],
      )
      const ids = new Set(begun.map(({ id }) => id))
      const settled = await settle(tx, [...ids])
      await countPartsSeenOf(tx, [...ids])
      const titles = new Map(some.map(({ kind, item, title }) => [`${kind} ${item}`, title]))
      for (const [key, lines] of groupedBy(settled, ({ kind, item }) => `${kind} ${item}`)) {
        const [first] = lines
        const told = lines.map(({ person, due: on }): { personId: PersonId; data: { title: string; due: typeof on } } => ({
          personId: person,
          data: { title: titles.get(key) ?? '', due: on },
        }))
        await notify(tx, parts, 'due-again', itemRefOf(first!.kind, first!.item), told, now)
      }
    })
  }
  return due.length
}
