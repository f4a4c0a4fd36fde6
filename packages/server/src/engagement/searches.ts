import type { Search, SearchTold, SoughtPart, SoughtThing } from '@jackdaw/contracts/searches'
import { nearTogether, soughtKey, type Span } from '@jackdaw/core/engagement'
import { itemKey, itemRefOf, type ItemId, type ItemKind } from '@jackdaw/core/items'
import { groupedBy, type LocalDate, type PersonId, type SearchId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'
import type { Among } from '../people'
import { ofPeopleSql, scopeParam } from './scope'
import { PAGE_SIZE } from './usedItems'

const MOST_A_DAY = 500
/** Keeps a search of somebody; of one that is there only what was opened. */
export async function keepSearch(
  db: Db,
  id: SearchId,
  { words, found, opened }: SearchTold,
  { by, today, now }: { by: PersonId; today: LocalDate; now: number },
): Promise<void> {
  const key = soughtKey(words)
  // Signs alone seek nothing.
  if (key === '') return
  if (opened) {
    const seen = await db.rows('select 1 from item_access where person_id = $1 and item_kind = $2 and item_id = $3 limit 1', [
      by,
      opened.kind,
      opened.id,
    ])
    if (seen.length === 0) fail('not-found')
  }
  await db.rows(
    `insert into search as s (id, person_id, at, local_day, words, key, found, opened_kind, opened_id)
     select $1, $2, $3, $4::date, $5, $6, $7, i.kind, i.id from (select 1) one left join item i on i.kind = $8 and i.id = $9
     where (select count(*) from search d where d.person_id = $2 and d.local_day = $4::date) < ${MOST_A_DAY}
     on conflict (id) do update set opened_kind = excluded.opened_kind, opened_id = excluded.opened_id where s.person_id = excluded.person_id and s.opened_id is null`,
    [id, by, new Date(now), today, words, key, found, opened?.kind ?? null, opened?.id ?? null],
  )
}

type Asked = { among: Among; span: Span }
/** The searches that are looked at. `$1` to `$3` as everywhere here. */
const searchesSql = (among: Among): string =>
  `select s.* from search s where $1::jsonb is not null and s.local_day between $2::date and $3::date and ${ofPeopleSql({ among }, 's')}`
const paramsOf = ({ among, span: { from, to } }: Asked): unknown[] => [scopeParam({ among }), from, to]

const MOST_KEYS = 2_000
type Keyed = { key: string; times: number; nothing: number; opened: number }
/** The keys of these days, those that mean nearly the same put together. */
async function together(db: Db, asked: Asked): Promise<Keyed[][]> {
  const params = paramsOf(asked)
  const [keys, opened] = await Promise.all([
    db.rows<Keyed>(
      `select key, count(*)::int as times, count(*) filter (where found = 0)::int as nothing, count(opened_id)::int as opened
       from (${searchesSql(asked.among)}) c group by key order by count(*) desc, key limit ${MOST_KEYS}`,
      params,
    ),
    db.rows<{ key: string; kind: ItemKind; id: ItemId; times: number }>(
      `select key, opened_kind as kind, opened_id as id, count(*)::int as times from (${searchesSql(asked.among)}) c where opened_id is not null group by 1, 2, 3`,
      params,
    ),
  ])
  const of = groupedBy(opened, ({ key }) => key)
  const named = new Map(keys.map((each) => [each.key, each]))
  return nearTogether(
    keys.map(({ key, times }) => ({
      ...{ key, times },
      opened: (of.get(key) ?? []).map(({ kind, id, times: n }) => ({ item: itemKey(itemRefOf(kind, id)), times: n })),
    })),
  ).map((group) => group.flatMap(({ key }) => named.get(key) ?? []))
}

const sum = (group: readonly Keyed[], of: 'times' | 'nothing' | 'opened'): number => group.reduce((all, each) => all + each[of], 0)
/** What was sought, what was sought most first. */
export async function soughtThings(db: Db, asked: Asked, { unanswered, page }: { unanswered: boolean; page: number }) {
  const all = await together(db, asked)
  const listed = unanswered ? all.filter((group) => sum(group, 'opened') === 0) : all
  const shown = listed.slice((page - 1) * PAGE_SIZE, page * PAGE_SIZE)
  type Told = {
    n: number
    people: number
    wordings: { words: string; times: number }[]
    kind: ItemKind | null
    id: ItemId
    number: number
    title: string
  }
  const told = await db.rows<Told>(
    `with of_thing as materialized (select t.n::int as n, c.* from (${searchesSql(asked.among)}) c join jsonb_to_recordset($4::jsonb) t (key text, n int) on t.key = c.key),
     things as (select n, count(distinct person_id)::int as people from of_thing group by n),
     said as (
       select n, lower(words) as words, count(*)::int as times, row_number() over (partition by n order by count(*) desc, lower(words)) as place from of_thing group by 1, 2),
     opened as (
       select distinct on (n) n, opened_kind, opened_id from (
         select n, opened_kind, opened_id, count(*) as times from of_thing where opened_id is not null group by 1, 2, 3) o order by n, times desc, opened_id)
     select t.n, t.people, w.wordings, i.kind, i.id, i.number, i.title
     from things t join (
       select n, jsonb_agg(jsonb_build_object('words', words, 'times', times) order by place) as wordings from said where place <= 10 group by n) w using (n)
     left join opened o using (n) left join item i on i.kind = o.opened_kind and i.id = o.opened_id`,
    [...paramsOf(asked), JSON.stringify(shown.flatMap((group, n) => group.map(({ key }) => ({ key, n }))))],
  )
  const of = new Map(told.map((each) => [each.n, each]))
  return {
    searches: all.reduce((most, group) => most + sum(group, 'times'), 0),
    total: listed.length,
    rows: shown.flatMap((group, n): SoughtThing[] => {
      const each = of.get(n)
      if (!each) return []
      return [
        {
          words: each.wordings[0]?.words ?? '',
          wordings: each.wordings,
          people: each.people,
          ...{ times: sum(group, 'times'), nothing: sum(group, 'nothing'), opened: sum(group, 'opened') },
          item: each.kind === null ? null : { ref: itemRefOf(each.kind, each.id), number: each.number, title: each.title },
        },
      ]
    }),
  }
}

const PARTS: Record<SoughtPart, string> = { times: 'true', people: 'true', nothing: 'c.found = 0', opened: 'c.opened_id is not null' }
/** The searches that a figure counts, the latest first. */
export async function searchesFor(db: Db, asked: Asked, { words, part, page }: { words: string; part: SoughtPart; page: number }) {
  const key = soughtKey(words)
  const group =
    (await together(db, asked)).find((each) => each.some((one) => one.key === key)) ??
    fail('not-found', 'Nobody sought this in these days.')
  type Row = {
    id: SearchId
    at: Date
    words: string
    found: number
    person_id: PersonId
    name: string
    kind: ItemKind | null
    item_id: ItemId
    number: number
    title: string
    total: number
  }
  const rows = await db.rows<Row>(
    `with counted as (select ${part === 'people' ? 'distinct on (c.person_id)' : ''} c.* from (${searchesSql(asked.among)}) c
       where c.key = any ($4) and ${PARTS[part]} ${part === 'people' ? 'order by c.person_id, c.at desc, c.id' : ''})
     select c.id, c.at, c.words, c.found, p.id as person_id, p.name, i.kind, i.id as item_id, i.number, i.title, count(*) over ()::int as total
     from counted c join person p on p.id = c.person_id left join item i on i.kind = c.opened_kind and i.id = c.opened_id order by c.at desc, c.id limit ${PAGE_SIZE} offset $5`,
    [...paramsOf(asked), group.map((each) => each.key), (page - 1) * PAGE_SIZE],
  )
  return {
    words,
    total: rows[0]?.total ?? 0,
    rows: rows.map(({ id, at, found, person_id, name, kind, item_id, number, title, ...row }): Search => ({
      ...{ id, at: at.getTime(), words: row.words, found },
      person: { id: person_id, name },
      opened: kind === null ? null : { ref: itemRefOf(kind, item_id), number, title: title ?? '' },
    })),
  }
}
