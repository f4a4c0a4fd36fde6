import type { CountedFigure, CountedRow } from '@jackdaw/contracts/engagement'
import type { Span } from '@jackdaw/core/engagement'
import type { Verbs } from '@jackdaw/core/events'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import type { Db } from '../db'
import { finishesSql } from '../items'
import { beginsSql } from './rollUps'
import { countsGuests, scopeParam, type Scope } from './scope'
import { editionsSql, guestsSql, newcomersSql, usesSql } from './sources'
import { PAGE_SIZE } from './usedItems'

/** Rows of a figure as SQL: `at`, `person_id`, `act`, `item_kind`, `item_id`, `edition`, `way`, `views`, and `tie`, by which those of one moment are
 * ordered; and how many there are, where that is known without going through them. */
type Rows = { sql: string; total?: string }

const NO_ACT = 'null::text as act'
const NO_ITEM = `${NO_ACT}, null::text as item_kind, null::text as item_id, null::int as edition, null::text as way`
const events = (verbs: Verbs, scope: Scope, which: string, counted: string): Rows => ({
  sql: `select e.occurred_at as at, e.subject_id as person_id, case when ${beginsSql(verbs)} then 'began' else 'finished' end as act, e.item_kind, e.item_id, e.edition, e.way, null::int as views, e.id::text as tie
    from (${usesSql(scope)}) c join (select * from event_counted where subject_kind = 'person' and ${which}) e
      on e.item_kind = c.item_kind and e.item_id = c.item_id and e.subject_id = c.person_id and e.local_day = c.local_day
    where ${counted} > 0`,
  total: `select coalesce(sum(${counted}), 0)::int as total from (${usesSql(scope)}) c`,
})
const people = (having: string, from: string): Rows => ({
  sql: `select max(c.at) as at, c.person_id, ${NO_ITEM}, sum(c.views)::int as views, c.person_id as tie from (${from}) c group by c.person_id having ${having}`,
})
const editions = (scope: Scope, which: string): Rows => ({
  sql: `select c.at, c.person_id, ${NO_ACT}, c.item_kind, c.item_id, c.number as edition, null::text as way, null::int as views, c.item_id as tie from (${editionsSql(scope)}) c where ${which}`,
})

const rowsOf = (verbs: Verbs): Record<CountedFigure, (scope: Scope) => Rows> => ({
  views: (scope) => events(verbs, scope, beginsSql(verbs), 'c.views'),
  people: (scope) => people('sum(c.views) > 0', usesSql(scope)),
  newcomers: (scope) => ({
    sql: `select c.at, c.person_id, ${NO_ITEM}, null::int as views, c.person_id as tie from (${newcomersSql(scope)}) c`,
  }),
  finished: (scope) => events(verbs, scope, finishesSql(verbs), 'c.finished'),
  finishers: (scope) =>
    people(
      'true',
      `select person_id, item_id, sum(views) as views, max(at) as at from (${usesSql(scope)}) f group by person_id, item_id having sum(views) > 0 and sum(finished) > 0`,
    ),
  things: (scope) => ({
    sql: `select max(c.at) as at, null::text as person_id, ${NO_ACT}, c.item_kind, c.item_id, null::int as edition, null::text as way, sum(c.views)::int as views, c.item_id as tie
      from (${usesSql(scope)}) c group by c.item_kind, c.item_id having sum(c.views) > 0`,
  }),
  acts: (scope) => events(verbs, scope, `(${beginsSql(verbs)} or ${finishesSql(verbs)})`, '(c.views + c.finished)'),
  guests: (scope) => ({
    sql: `select c.at, null::text as person_id, ${NO_ACT}, c.item_kind, c.item_id, c.edition, null::text as way, null::int as views, c.item_id as tie
      from (${guestsSql(scope)}) c where ${countsGuests(scope)}`,
  }),
  written: (scope) => editions(scope, 'c.number = 1'),
  changed: (scope) => editions(scope, 'c.number > 1'),
  reached: (scope) => editions(scope, 'c.number = 1 and c.reached'),
})

type Row = {
  at: Date
  person_id: PersonId | null
  person: string
  act: 'began' | 'finished' | null
  item_kind: ItemKind | null
  item_id: ItemId | null
  number: number
  title: string
  edition: number | null
  way: Way | null
  views: number | null
}

/** The rows that a figure counts, the latest first. */
export async function countedRows(
  db: Db,
  verbs: Verbs,
  figure: CountedFigure,
  scope: Scope,
  { from, to }: Span,
  page: number,
): Promise<{ rows: CountedRow[]; total: number }> {
  const { sql, total = `select count(*)::int as total from (${sql}) t` } = rowsOf(verbs)[figure](scope)
  const params = [scopeParam(scope), from, to]
  const [counted, rows] = await Promise.all([
    db.one<{ total: number }>(total, params),
    db.rows<Row>(
      `select r.*, p.name as person, i.number, i.title from (${sql} order by at desc, tie limit ${PAGE_SIZE} offset $4) r
       left join person p on p.id = r.person_id left join item i on i.kind = r.item_kind and i.id = r.item_id order by r.at desc, r.tie`,
      [...params, (page - 1) * PAGE_SIZE],
    ),
  ])
  return {
    total: counted?.total ?? 0,
    rows: rows.map((row) => ({
      at: row.at.getTime(),
      person: row.person_id === null ? null : { id: row.person_id, name: row.person },
      act: row.act,
      item:
        row.item_kind === null || row.item_id === null
          ? null
          : { ref: itemRefOf(row.item_kind, row.item_id), number: row.number, title: row.title },
      edition: row.edition,
      way: row.way,
      views: row.views,
    })),
  }
}
