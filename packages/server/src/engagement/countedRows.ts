import type { CountedFigure, CountedRow } from '@jackdaw/contracts/engagement'
import type { Span } from '@jackdaw/core/engagement'
import type { Verbs } from '@jackdaw/core/events'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import { entriesOf, type PersonId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import type { Db } from '../db'
import { finishesSql } from '../items'
import { beginsSql, mayCountSql } from './rollUps'
import { asksForGroups, countsGuests, keptSql, ofItemsSql, ofPeopleSql, scopeParam, type Scope } from './scope'
import { editionsSql, guestsSql, newcomersSql, usesSql } from './sources'
import { PAGE_SIZE } from './usedItems'

/** What a row can tell, as SQL; most have little of it. `tie` orders those of one moment. */
const NOTHING = {
  at: 'c.at',
  person_id: 'null::text',
  act: 'null::text',
  item_kind: 'null::text',
  item_id: 'null::text',
  edition: 'null::int',
  way: 'null::text',
  views: 'null::int',
  active_ms: 'null::float',
  tie: "''",
}
const columns = (told: Partial<typeof NOTHING>): string =>
  entriesOf({ ...NOTHING, ...told })
    .map(([name, sql]) => `${sql} as ${name}`)
    .join(', ')
const PERSON = { person_id: 'c.person_id', tie: 'c.person_id' }
const ITEM = { item_kind: 'c.item_kind', item_id: 'c.item_id', tie: 'c.item_id' }

/** Rows of a figure as SQL, and how many there are, where that is known without going through them. */
type Rows = { sql: string; total?: string }
/** Events of the days of use that are looked at. Of one person they are found by those days; of many, the newest are taken from the events
 * themselves, and each is asked whether it is looked at: joined, all of them would be gone through for fifty. */
const events = (verbs: Verbs, scope: Scope, which: string, counted: string): Rows => {
  const act = `case when ${beginsSql(verbs)} then 'began' else 'finished' end`
  const of = { item_kind: 'e.item_kind', item_id: 'e.item_id', edition: 'e.edition', way: 'e.way' }
  const told = columns({ ...of, person_id: 'e.person_id', act, at: 'e.occurred_at', tie: 'e.id::text' })
  const happened = `select *, subject_id as person_id from event_counted where subject_kind = 'person' and ${mayCountSql(verbs)} and ${which} and local_day between $2::date and $3::date and ${keptSql(scope, 'event_counted')}
    and occurred_at between $2::date - interval '2 days' and $3::date + interval '3 days'`
  const sameDay = 'u.item_kind = e.item_kind and u.item_id = e.item_id and u.person_id = e.person_id and u.local_day = e.local_day'
  const isOfPeople = asksForGroups(scope)
    ? `coalesce((select ${ofPeopleSql(scope, 'u')} from use_day u where ${sameDay}), false)`
    : ofPeopleSql(scope, 'e')
  return {
    sql: scope.person
      ? `select ${told} from (${usesSql(scope)}) u join (${happened}) e on ${sameDay}`
      : `select ${told} from (${happened}) e where ${ofItemsSql(scope, 'e')} and ${isOfPeople}`,
    total: `select coalesce(sum(${counted}), 0)::int as total from (${usesSql(scope)}) c`,
  }
}
const people = (having: string, from: string): Rows => ({
  sql: `select ${columns({ ...PERSON, at: 'max(c.at)', views: 'sum(c.views)::int' })} from (${from}) c group by c.person_id having ${having}`,
})
const editions = (scope: Scope, which: string): Rows => ({
  sql: `select ${columns({ ...PERSON, ...ITEM, edition: 'c.number' })} from (${editionsSql(scope)}) c where ${which}`,
})
const FINISHERS = (scope: Scope) =>
  `select person_id, item_id, sum(views) as views, max(at) as at from (${usesSql(scope)}) f group by person_id, item_id having sum(views) > 0 and sum(finished) > 0`

const rowsOf = (verbs: Verbs): Record<CountedFigure, (scope: Scope) => Rows> => ({
  views: (scope) => events(verbs, scope, beginsSql(verbs), 'c.views'),
  people: (scope) => people('sum(c.views) > 0', usesSql(scope)),
  newcomers: (scope) => ({ sql: `select ${columns(PERSON)} from (${newcomersSql(scope)}) c` }),
  finished: (scope) => events(verbs, scope, finishesSql(verbs), 'c.finished'),
  finishers: (scope) => people('true', FINISHERS(scope)),
  things: (scope) => ({
    sql: `select ${columns({ ...ITEM, at: 'max(c.at)', views: 'sum(c.views)::int' })} from (${usesSql(scope)}) c group by c.item_kind, c.item_id having sum(c.views) > 0`,
  }),
  acts: (scope) => events(verbs, scope, `(${beginsSql(verbs)} or ${finishesSql(verbs)})`, '(c.views + c.finished)'),
  time: (scope) => ({
    sql: `select ${columns({ ...PERSON, ...ITEM, active_ms: 'c.active_ms::float', tie: 'c.item_id || c.person_id' })} from (${usesSql(scope)}) c where c.active_ms > 0`,
  }),
  guests: (scope) => ({
    sql: `select ${columns({ ...ITEM, edition: 'c.edition' })} from (${guestsSql(scope)}) c where ${countsGuests(scope)}`,
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
  active_ms: number | null
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
      activeMs: row.active_ms,
    })),
  }
}
