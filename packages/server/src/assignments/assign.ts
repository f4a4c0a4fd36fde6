import { dueFor, type DueRule } from '@jackdaw/core/assignments'
import { itemRefOf, type ItemId, type ItemKind, type ItemRef } from '@jackdaw/core/items'
import { known, type AudienceId, type LocalDate, type NewId, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { dueFactsOf } from './dueFacts'

/** What came of giving an item: who has been given it or has to read it anew, and until when, and who no longer has it. */
export type Assigned = {
  item: ItemRef
  giver: PersonId
  archived: boolean
  dated: { personId: PersonId; due: LocalDate | null }[]
  lost: PersonId[]
}
/** Whose assignments are made what the audiences say: everybody's of one item, or those of some people of all items of some audiences. */
type Scope = { item: ItemRef } | { people: readonly PersonId[]; audiences: readonly AudienceId[] }

type Wanted = {
  kind: ItemKind
  id: ItemId
  person: PersonId
  due: DueRule
  audience: AudienceId
  giver: PersonId
  archived: boolean
}
type Gone = Pick<Wanted, 'kind' | 'id' | 'person' | 'giver' | 'archived'>

/** What is asked of an audience of an item, `x`, and of a row of a person, as SQL. */
const scoped = (scope: Scope): { where: (person: string) => string; bind: unknown[] } =>
  'item' in scope
    ? { where: () => 'x.item_kind = $1 and x.item_id = $2', bind: [scope.item.kind, scope.item.id] }
    : { where: (person) => `x.audience_id = any ($2) and ${person}.person_id = any ($1)`, bind: [scope.people, scope.audiences] }

/** Who belongs to an item's audience and has not been given it, or is to have a new date. */
function wanted(tx: Db, scope: Scope, renewFor: readonly PersonId[]): Promise<Wanted[]> {
  const { where, bind } = scoped(scope)
  return tx.rows<Wanted>(
    `select x.item_kind as kind, x.item_id as id, p.id as person, x.due, x.audience_id as audience, e.published_by as giver, i.archived_at is not null as archived
     from item_audience x join item i on i.kind = x.item_kind and i.id = x.item_id join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition
     join audience_member m on m.audience_id = x.audience_id join person p on p.id = m.person_id and p.active
     left join assignment a on a.item_kind = x.item_kind and a.item_id = x.item_id and a.person_id = p.id
     where ${where('m')} and (a.id is null or p.id = any ($${bind.length + 1})) order by x.item_kind, x.item_id, p.name, p.id`,
    [...bind, renewFor],
  )
}

/** Takes items from those who no longer belong to their audiences. */
function takeAway(tx: Db, scope: Scope): Promise<Gone[]> {
  const { where, bind } = scoped(scope)
  return tx.rows<Gone>(
    `delete from assignment a using item_audience x, item i, edition e
     where x.item_kind = a.item_kind and x.item_id = a.item_id and i.kind = a.item_kind and i.id = a.item_id and e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition
       and ${where('a')} and not exists (select 1 from audience_member m where m.audience_id = x.audience_id and m.person_id = a.person_id)
     returning a.item_kind as kind, a.item_id as id, a.person_id as person, e.published_by as giver, i.archived_at is not null as archived`,
    bind,
  )
}

/** Gives them, each until the day that the item's rule says. */
async function give(tx: Db, newId: NewId, rows: readonly Wanted[], now: number): Promise<Map<Wanted, LocalDate | null>> {
  const facts = await dueFactsOf(tx, [...new Set(rows.map(({ person }) => person))])
  const due = new Map(rows.map((row) => [row, dueFor(row.due, now, known(facts, row.person))]))
  const from = `jsonb_to_recordset($1::jsonb) as x (id text, person text, kind text, item text, due_on date, due_zone text, due_at timestamptz)`
  await tx.rows(
    `insert into assignment (id, person_id, item_kind, item_id, assigned_at, due_on, due_zone, due_at, waived_at)
     select x.id, x.person, x.kind, x.item, $2, x.due_on, x.due_zone, x.due_at, w.at from ${from}
     left join waiver w on w.person_id = x.person and w.item_kind = x.kind and w.item_id = x.item and w.ended_at is null
     on conflict (person_id, item_kind, item_id) do update set due_on = excluded.due_on, due_zone = excluded.due_zone, due_at = excluded.due_at, moved_on = null`,
    [
      JSON.stringify(
        rows.map((row) => {
          const date = due.get(row)
          const at = date ? new Date(date.at).toISOString() : null
          return {
            id: newId(),
            person: row.person,
            kind: row.kind,
            item: row.id,
            due_on: date?.on ?? null,
            due_zone: date?.zone ?? null,
            due_at: at,
          }
        }),
      ),
      new Date(now),
    ],
  )
  return new Map([...due].map(([row, date]) => [row, date?.on ?? null]))
}

/** Writes down why everybody of the scope has what they have: the audience to which they belong, and by when it is to be done for that. Who has it
 * already keeps what was said to them then, unless they are given it anew. */
async function writeReasons(tx: Db, scope: Scope, now: number, renewed: readonly PersonId[]): Promise<void> {
  const { where, bind } = scoped(scope)
  const at = bind.length
  const of = `from assignment a join item_audience x on x.item_kind = a.item_kind and x.item_id = a.item_id`
  await tx.rows(
    `with now_ as (select a.id, x.audience_id, x.due, e.published_by ${of}
       join item i on i.kind = a.item_kind and i.id = a.item_id join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition where ${where('a')}),
     was as (select distinct on (r.assignment_id) r.assignment_id, r.due, r.counts_from from assignment_reason r join now_ n on n.id = r.assignment_id where r.kind = 'audience'),
     gone as (delete from assignment_reason r using now_ n where r.assignment_id = n.id and r.kind = 'audience' and r.ref <> n.audience_id)
     insert into assignment_reason (assignment_id, kind, ref, given_by, given_at, due, counts_from)
     select n.id, 'audience', n.audience_id, n.published_by, $${at + 1}, coalesce(w.due, n.due), coalesce(w.counts_from, $${at + 1}) from now_ n left join was w on w.assignment_id = n.id
     on conflict do nothing`,
    [...bind, new Date(now)],
  )
  if (renewed.length > 0)
    await tx.rows(
      `update assignment_reason r set due = n.due, counts_from = $${at + 1} from (select a.id, x.due ${of} where ${where('a')} and a.person_id = any ($${at + 2})) n
       where r.assignment_id = n.id and r.kind = 'audience'`,
      [...bind, new Date(now), renewed],
    )
}

/** Makes assignments what the audiences of the items say: people who belong to one now get its item, those who no longer do lose it, and the
 * reasons are written down. Who has it already keeps their date; those in `renewFor` get a new one.
 * @returns what has changed, by item */
export async function assign(
  tx: Db,
  newId: NewId,
  scope: Scope,
  now: number,
  renewFor: ReadonlySet<PersonId> = new Set(),
): Promise<Assigned[]> {
  const gone = await takeAway(tx, scope)
  const rows = await wanted(tx, scope, [...renewFor])
  const due = rows.length > 0 ? await give(tx, newId, rows, now) : new Map<Wanted, LocalDate | null>()
  if ('item' in scope || rows.length > 0) await writeReasons(tx, scope, now, [...renewFor])
  const byItem = new Map<string, Assigned>()
  const of = ({ kind, id, giver, archived }: Gone): Assigned => {
    const key = `${kind} ${id}`
    const known = byItem.get(key) ?? { item: itemRefOf(kind, id), giver, archived, dated: [], lost: [] }
    byItem.set(key, known)
    return known
  }
  for (const row of rows) of(row).dated.push({ personId: row.person, due: due.get(row) ?? null })
  for (const row of gone) of(row).lost.push(row.person)
  return [...byItem.values()]
}
