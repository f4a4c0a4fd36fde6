import type { OwnGroup, OwnItem, OwnItemUse, OwnUse } from '@jackdaw/contracts/ownUse'
import { shownShare, shownUse, type GroupUse, type ShownUse, type Span } from '@jackdaw/core/engagement'
import { itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import { addDays, addMonths, groupedBy, nth, type GroupId, type GuideId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'
import { journeyOf } from './journey'
import { figureRules } from './figureRules'
import { usesKeptSince } from './keptUse'
import { PAGE_SIZE } from './usedItems'

const MONTHS = 12
/** The months that are over, the latest first, told by their first days. */
function monthsBefore(today: LocalDate): LocalDate[] {
  const first = `${today.slice(0, 7)}-01` as LocalDate
  return Array.from({ length: MONTHS }, (_, n) => addMonths(first, -n - 1))
}
/** The months, and the one that is asked for. */
function monthOf(today: LocalDate, asked: LocalDate | undefined): { month: LocalDate; months: LocalDate[] } {
  const months = monthsBefore(today)
  const month = asked ?? nth(months, 0)
  if (!months.includes(month)) fail('invalid', 'Only one of the last twelve whole months can be looked at.')
  return { month, months }
}

const DEPARTMENTS = `select q.* from membership q join people_group g on g.id = q.group_id and g.kind_id = 'department'`
/** Of each item and month, by department: how many others than the owner may see it, and how many of them used it how; of what is open to all that is everybody.
 * `$1` the items, `$2` the months, `$3` the owner. Somebody who was in two departments in a month may be counted among the people of both, and used it in the one of the first time. */
const BY_DEPARTMENT = `
  with months as (select m as month, (m + interval '1 month')::date as until from unnest($2::date[]) m),
  open as (select id as item_id from item where id = any ($1) and open_to_all and edition is not null and archived_at is null),
  able as (select distinct x.item_id, x.person_id from item_access x where x.item_id = any ($1) and x.item_id <> all (array(select item_id from open)) and x.person_id <> $3),
  members as materialized (
    select p.id as person_id, m.month, coalesce(q.group_id, '') as department
    from person p cross join months m left join (${DEPARTMENTS}) q on q.person_id = p.id and q.since < m.until and (q.until is null or q.until > m.month)
    where p.active and p.id <> $3 group by 1, 2, 3),
  sizes as (
    select a.item_id, m.month, m.department, count(*)::int as size from able a join members m using (person_id) group by 1, 2, 3
    union all
    select o.item_id, m.month, m.department, m.size from open o cross join (select month, department, count(*)::int as size from members group by 1, 2) m),
  uses as (
    select u.item_id, m.month, u.person_id, sum(u.views) as views, sum(u.finished) as finished, min(u.at) as at
    from use_day u join months m on u.local_day >= m.month and u.local_day < m.until where u.item_id = any ($1) and u.person_id <> $3 group by 1, 2, 3 having sum(u.views) > 0),
  used as (
    select u.item_id, u.month, coalesce(d.group_id, '') as department, count(*)::int as people, count(*) filter (where u.finished > 0)::int as finished, sum(u.views)::int as views
    from uses u left join lateral (select q.group_id from (${DEPARTMENTS}) q where q.person_id = u.person_id and q.since <= u.at and (q.until is null or q.until > u.at) order by q.since limit 1) d on true
    group by 1, 2, 3)
  select item_id, month::text, department, coalesce(size, 0) as size, coalesce(people, 0) as people, coalesce(finished, 0) as finished, coalesce(views, 0) as views
  from sizes full join used using (item_id, month, department) order by department`
type Department = GroupId | ''
type Cell = GroupUse<Department> & { item_id: ItemId; month: LocalDate; department: Department }

type Owned = { kind: ItemKind; id: ItemId; number: number; title: string }
/** What is shown of each item and month. */
async function shownOf(
  db: Db,
  owner: PersonId,
  items: readonly ItemId[],
  months: readonly LocalDate[],
  leastGroup: number,
): Promise<(item: ItemId, month: LocalDate) => ShownUse<Department> | null> {
  const cells = await db.rows<Cell>(BY_DEPARTMENT, [items, months, owner])
  const keyOf = (item: ItemId, month: LocalDate) => `${item} ${month}`
  const grouped = groupedBy(
    cells.map((cell) => ({ ...cell, key: cell.department })),
    (cell) => keyOf(cell.item_id, cell.month),
  )
  return (item, month) => shownUse(grouped.get(keyOf(item, month)) ?? [], leastGroup)
}
const useOf = (shown: ShownUse<Department> | null): OwnUse | null =>
  shown && { people: shown.people, finished: shown.finished, timesEach: shown.timesEach }

type Asked = { owner: PersonId; today: LocalDate; month: LocalDate | undefined }
/** What somebody owns and has published, by name, with how others used it in a month. */
export async function ownItems(db: Db, { owner, today, month: asked }: Asked, page: number) {
  const { month, months } = monthOf(today, asked)
  const { leastGroup } = await figureRules(db)
  const rows = await db.rows<Owned & { total: number }>(
    `select i.kind, i.id, i.number, i.title, count(*) over ()::int as total from item_home h join item i on i.kind = h.kind and i.id = h.id
     where h.owner_id = $1 and i.edition is not null and i.archived_at is null order by plain(i.title), i.kind, i.id limit ${PAGE_SIZE} offset $2`,
    [owner, (page - 1) * PAGE_SIZE],
  )
  const shown = await shownOf(
    db,
    owner,
    rows.map(({ id }) => id),
    [month],
    leastGroup,
  )
  const items = rows.map(({ kind, id, number, title }): OwnItem => ({
    ...{ item: itemRefOf(kind, id), number, title },
    use: useOf(shown(id, month)),
  }))
  return { leastGroup, month, months, rows: items, total: rows[0]?.total ?? 0 }
}

/** The shares of the visits of others that came to each step, and that left there. */
async function ownSteps(db: Db, id: GuideId, owner: PersonId, span: Span): Promise<OwnItemUse['steps']> {
  const { visits, steps } = await journeyOf(
    db,
    { id, among: { reportsTo: null }, keptSince: await usesKeptSince(db), without: owner },
    span,
  )
  return steps.map(({ stepId, position, name, section, came, left }) => ({
    ...{ stepId, position, name, section },
    came: shownShare(came, visits),
    left: shownShare(left, came),
  }))
}

/** How others used one item, month by month, and by department and step. */
export async function ownItemUse(db: Db, id: ItemId, { owner, today, month: asked }: Asked): Promise<OwnItemUse> {
  const { month, months } = monthOf(today, asked)
  const { leastGroup } = await figureRules(db)
  const { kind, number, title } =
    (await db.one<Owned>('select kind, id, number, title from item where id = $1 and edition is not null', [id])) ??
    fail('not-found', 'This has not been published yet, so there is nothing to count.')
  const shownIn = await shownOf(db, owner, [id], months, leastGroup)
  const each = months.map((one) => useOf(shownIn(id, one)))
  const groups = shownIn(id, month)?.groups ?? []
  const names = await db.rows<{ id: GroupId; name: string }>('select id, name from people_group where id = any ($1)', [
    groups.flatMap(({ keys }) => keys),
  ])
  const named = groups.map(({ keys, size, people, finished }): OwnGroup => ({
    names: names.filter((group) => keys.includes(group.id)).map(({ name }) => name),
    others: keys.includes(''),
    ...{ size, people, finished },
  }))
  const anybody = each.some((use) => use !== null && use.people > 0)
  const span = { from: nth(months, MONTHS - 1), to: addDays(addMonths(nth(months, 0), 1), -1) }
  const steps = kind === 'guide' && anybody ? await ownSteps(db, id as GuideId, owner, span) : []
  return { leastGroup, month, months, item: itemRefOf(kind, id), number, title, each, groups: named, steps }
}
