import type { Giving, NamedItem } from '@jackdaw/contracts/assignments'
import type { DueRule, GivenFor } from '@jackdaw/core/assignments'
import { itemRefOf, type ItemId, type ItemKind, type ItemRef } from '@jackdaw/core/items'
import type { AudienceId, GivingId, PersonId } from '@jackdaw/core/shared'
import { audienceShown } from '../audiences'
import type { Db } from '../db'
import { columnsOf, doneSql, rankParam, stateParams, stateRankSql } from '../items'

type Row = {
  id: GivingId
  kind: ItemKind
  item: ItemId
  number: number
  title: string
  edition: number | null
  archived: boolean
  publishing: boolean
  audience: AudienceId
  use: GivenFor
  due: DueRule
  months: number | null
  given_at: Date
  giver: PersonId
  giver_name: string
} & Giving['howFar']

const RANK = stateRankSql(columnsOf('$1', '$2'))
const DONE = doneSql(columnsOf('null', 'null'))
/** How far those are who have the item of a giving `g` for it: $1 now, $2 soon. */
const HOW_FAR = `
  select count(*)::int as people, count(*) filter (where a.use = 'to-do')::int as "toDo", count(*) filter (where a.use = 'to-do' and ${DONE})::int as done,
    count(*) filter (where a.use = 'to-do' and ${RANK} = ${rankParam('late')})::int as late, count(*) filter (where a.use = 'to-do' and ${RANK} = ${rankParam('waived')})::int as waived
  from assignment a join assignment_reason s on s.assignment_id = a.id and s.kind = 'giving' and s.ref = g.id
  left join item_progress r on r.item_kind = a.item_kind and r.item_id = a.item_id and r.person_id = a.person_id
  where a.item_kind = g.item_kind and a.item_id = g.item_id`

/** Givings for which something holds, the first on top, and how far each is. @param where a condition on a row `g` of `giving` with a parameter $3 */
async function givingsWhere(
  db: Db,
  where: string,
  value: string,
  now: number,
  order: string,
): Promise<{ of: NamedItem; giving: Giving }[]> {
  const rows = await db.rows<Row>(
    `select g.id, g.item_kind as kind, g.item_id as item, i.number, coalesce(i.title, '') as title, i.edition, i.archived_at is not null as archived, g.publishing, g.audience_id as audience, g.use, g.due,
       g.repeat_months as months, g.given_at, p.id as giver, p.name as giver_name, x.*
     from giving g join item i on i.kind = g.item_kind and i.id = g.item_id join person p on p.id = g.given_by cross join lateral (${HOW_FAR}) x where ${where} order by ${order}`,
    [...stateParams(now), value],
  )
  const givings: { of: NamedItem; giving: Giving }[] = []
  for (const row of rows) {
    const { id, publishing: byPublishing, use, due, months: repeatMonths, people, toDo, done, late, waived } = row
    givings.push({
      of: { item: itemRefOf(row.kind, row.item), number: row.number, title: row.title, edition: row.edition, archived: row.archived },
      giving: {
        ...{ id, byPublishing, use, due, repeatMonths, howFar: { people, toDo, done, late, waived } },
        audience: await audienceShown(db, row.audience),
        givenBy: { id: row.giver, name: row.giver_name },
        givenAt: row.given_at.getTime(),
      },
    })
  }
  return givings
}

/** To whom an item is given, and how far that is. */
export const givingsOf = async (db: Db, { id }: ItemRef, now: number): Promise<Giving[]> =>
  (await givingsWhere(db, 'g.item_id = $3', id, now, 'g.publishing desc, g.given_at, g.id')).map(({ giving }) => giving)
/** So many of somebody's givings are listed. */
const LISTED = 200
/** What somebody has given, the newest first. */
export const givingsBy = (db: Db, personId: PersonId, now: number): Promise<{ of: NamedItem; giving: Giving }[]> =>
  givingsWhere(db, 'g.given_by = $3 and i.archived_at is null', personId, now, `g.given_at desc, g.id limit ${LISTED}`)
