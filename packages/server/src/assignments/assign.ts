import type { DueRule, GivenFor } from '@jackdaw/core/assignments'
import { itemRefOf, type ItemId, type ItemKind, type ItemRef } from '@jackdaw/core/items'
import type { AudienceId, GivingId, LocalDate, NewId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { lockItem, shareItems } from './lockItems'
import { lockLines, settle, type Settled } from './settle'

/** What came of giving an item: who has it to do now or has to do it anew, and until when; who has it to look up now; and who has not to do it any more. */
export type Assigned = {
  item: ItemRef
  giver: PersonId
  archived: boolean
  dated: { personId: PersonId; due: LocalDate | null }[]
  shown: PersonId[]
  lost: PersonId[]
}
/** Whose lines are made what the givings say: everybody's of one item, or those of some people of all items that some audiences are given. */
type Scope = { item: ItemRef } | { people: readonly PersonId[]; audiences: readonly AudienceId[] }

/** Somebody who is to have an item for a reason that they do not have yet. `line`: what they have of it already. */
type Missing = {
  line: string | null
  giving: GivingId
  kind: ItemKind
  id: ItemId
  person: PersonId
  use: GivenFor
  due: DueRule
  months: number | null
  giver: PersonId
}

/** What is asked of a giving, `g`, and of a row of a person, as SQL. */
const scoped = (scope: Scope): { where: (person: string) => string; bind: unknown[] } =>
  'item' in scope
    ? { where: () => 'g.item_kind = $1 and g.item_id = $2', bind: [scope.item.kind, scope.item.id] }
    : { where: (person) => `g.audience_id = any ($2) and ${person}.person_id = any ($1)`, bind: [scope.people, scope.audiences] }

/** Who belongs to the audience of a giving and does not have its item for that reason. */
function missing(tx: Db, scope: Scope): Promise<Missing[]> {
  const { where, bind } = scoped(scope)
  return tx.rows<Missing>(
    `select a.id as line, g.id as giving, g.item_kind as kind, g.item_id as id, p.id as person, g.use, g.due, g.repeat_months as months, g.given_by as giver
     from giving g join item i on i.kind = g.item_kind and i.id = g.item_id and i.edition is not null
     join audience_member m on m.audience_id = g.audience_id join person p on p.id = m.person_id and p.active
     left join assignment a on a.item_kind = g.item_kind and a.item_id = g.item_id and a.person_id = p.id
     where ${where('m')} and not exists (select 1 from assignment_reason r where r.assignment_id = a.id and r.kind = 'giving' and r.ref = g.id)
     order by g.item_kind, g.item_id, p.name, p.id, g.id`,
    bind,
  )
}

/** Takes the reason from those who no longer belong to the audience of a giving. @returns their lines */
async function takeReasons(tx: Db, scope: Scope): Promise<string[]> {
  const { where, bind } = scoped(scope)
  const rows = await tx.rows<{ line: string }>(
    `delete from assignment_reason r using assignment a, giving g
     where r.assignment_id = a.id and r.kind = 'giving' and r.ref = g.id and g.item_kind = a.item_kind and g.item_id = a.item_id
       and ${where('a')} and not exists (select 1 from audience_member m where m.audience_id = g.audience_id and m.person_id = a.person_id)
     returning r.assignment_id as line`,
    bind,
  )
  return rows.map(({ line }) => line)
}

/** Gives people a line each, where they have none yet, and writes the reasons down. They are written in the order in which lines are locked: that of the bytes
 * of ids, which is not that of words.
 * @returns the ids of lines that are new, and of the others */
async function giveReasons(tx: Db, newId: NewId, rows: readonly Missing[], now: number): Promise<{ fresh: Set<string>; others: string[] }> {
  const none = rows.filter(({ line }) => line === null)
  const made = await tx.rows<{ id: string; item_kind: ItemKind; item_id: ItemId; person_id: PersonId; is_new: boolean }>(
    `insert into assignment (id, person_id, item_kind, item_id, assigned_at, use)
     select distinct on (x.kind, x.item, x.person) x.id, x.person, x.kind, x.item, $2::timestamptz, 'optional' from jsonb_to_recordset($1::jsonb) as x (id text, person text collate "C", kind text collate "C", item text collate "C")
     order by x.kind, x.item, x.person on conflict (person_id, item_kind, item_id) do update set use = assignment.use returning id, item_kind, item_id, person_id, xmax = 0 as is_new`,
    [JSON.stringify(none.map(({ person, kind, id }) => ({ id: newId(), person, kind, item: id }))), new Date(now)],
  )
  const lineOf = new Map(made.map((row) => [`${row.item_kind} ${row.item_id} ${row.person_id}`, row.id]))
  const reasons = rows.map(({ line, giving, kind, id, person, use, due, months, giver }) => ({
    ...{ line: line ?? lineOf.get(`${kind} ${id} ${person}`), giving, giver, use, due, months },
  }))
  await tx.rows(
    `insert into assignment_reason (assignment_id, kind, ref, given_by, given_at, use, due, counts_from, repeat_months)
     select x.line, 'giving', x.giving, x.giver, $2, x.use, x.due, $2, x.months
     from jsonb_to_recordset($1::jsonb) as x (line text, giving text, giver text, use text, due jsonb, months int) on conflict do nothing`,
    [JSON.stringify(reasons), new Date(now)],
  )
  const fresh = new Set(made.flatMap(({ id, is_new }) => (is_new ? [id] : [])))
  return { fresh, others: reasons.flatMap(({ line }) => (line !== undefined && !fresh.has(line) ? [line] : [])) }
}

/** Gives some people what they have of an item anew: as its givings say now, from now on. @returns their lines */
async function renew(tx: Db, scope: Scope, people: readonly PersonId[], now: number): Promise<string[]> {
  if (people.length === 0) return []
  const { where, bind } = scoped(scope)
  const [theirs, at] = [bind.length + 1, bind.length + 2]
  const rows = await tx.rows<{ line: string }>(
    `update assignment_reason r set due = g.due, use = g.use, repeat_months = g.repeat_months, counts_from = $${at} from assignment a, giving g
     where r.assignment_id = a.id and r.kind = 'giving' and r.ref = g.id and g.item_kind = a.item_kind and g.item_id = a.item_id
       and ${where('a')} and a.person_id = any ($${theirs}) returning r.assignment_id as line`,
    [...bind, people, new Date(now)],
  )
  const lines = rows.map(({ line }) => line)
  await tx.rows('update assignment set moved_on = null where id = any ($1) and moved_on is not null', [lines])
  return lines
}

/** Makes lines what the givings of the items say: people who belong to an audience have its item for that reason, those who no longer do lose the
 * reason. Who has it already keeps their date; those in `renewFor` get a new one.
 * @returns what has changed, by item */
export async function assign(
  tx: Db,
  newId: NewId,
  scope: Scope,
  now: number,
  renewFor: ReadonlySet<PersonId> = new Set(),
): Promise<Assigned[]> {
  const { where, bind } = scoped(scope)
  if ('item' in scope) await lockItem(tx, scope.item)
  else
    await shareItems(tx, 'select g.item_kind as kind, g.item_id as id from giving g where g.audience_id = any ($1)', [[...scope.audiences]])
  await lockLines(tx, `exists (select 1 from giving g where g.item_kind = a.item_kind and g.item_id = a.item_id and ${where('a')})`, bind)
  const taken = await takeReasons(tx, scope)
  const rows = await missing(tx, scope)
  const { fresh, others } = rows.length > 0 ? await giveReasons(tx, newId, rows, now) : { fresh: new Set<string>(), others: [] }
  const renewed = await renew(tx, scope, [...renewFor], now)
  const settled = await settle(tx, [...new Set([...taken, ...fresh, ...others, ...renewed])])
  return tellingOf(tx, settled, { fresh, renewed: new Set(renewed) })
}

/** What there is to be told of lines that were settled. */
export async function tellingOf(
  tx: Db,
  settled: readonly Settled[],
  { fresh = new Set(), renewed = new Set() }: { fresh?: ReadonlySet<string>; renewed?: ReadonlySet<string> } = {},
): Promise<Assigned[]> {
  const wasTodo = ({ id, before }: Settled) => before === 'to-do' && !fresh.has(id)
  const changed = settled.flatMap((each) => {
    const dated = each.after === 'to-do' && (!wasTodo(each) || renewed.has(each.id))
    const shown = each.after === 'to-look-up' && (fresh.has(each.id) || each.before === 'optional')
    const lost = each.after !== 'to-do' && wasTodo(each)
    return dated || shown || lost ? [{ ...each, dated, shown, lost }] : []
  })
  if (changed.length === 0) return []
  const givers = await giversOf(tx, changed)
  const byItem = new Map<string, Assigned>()
  for (const { id, kind, item, person, due, dated, shown, lost } of changed) {
    const { giver, archived } = givers.get(`${kind} ${item} ${id}`) ?? givers.get(`${kind} ${item}`)!
    const key = `${kind} ${item} ${giver}`
    const of = byItem.get(key) ?? { item: itemRefOf(kind, item), giver, archived, dated: [], shown: [], lost: [] }
    byItem.set(key, of)
    if (dated) of.dated.push({ personId: person, due })
    if (shown) of.shown.push(person)
    if (lost) of.lost.push(person)
  }
  return [...byItem.values()]
}

type Giver = { giver: PersonId; archived: boolean }
/** Who gave each line last, and who published each item, for lines that nobody gives any more. */
async function giversOf(tx: Db, lines: readonly Settled[]): Promise<Map<string, Giver>> {
  const rows = await tx.rows<Giver & { kind: ItemKind; item: ItemId; line: string | null }>(
    `select distinct on (a.id) a.item_kind as kind, a.item_id as item, a.id as line, r.given_by as giver, i.archived_at is not null as archived
       from assignment a join assignment_reason r on r.assignment_id = a.id join item i on i.kind = a.item_kind and i.id = a.item_id where a.id = any ($1)
       order by a.id, r.use, r.given_at desc, r.ref`,
    [lines.map(({ id }) => id)],
  )
  const items = await tx.rows<Giver & { kind: ItemKind; item: ItemId; line: null }>(
    `select i.kind, i.id as item, null as line, e.published_by as giver, i.archived_at is not null as archived
     from item i join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition where i.id = any ($1)`,
    [[...new Set(lines.map(({ item }) => item))]],
  )
  return new Map(
    [...items, ...rows].map(({ kind, item, line, ...giver }) => [line === null ? `${kind} ${item}` : `${kind} ${item} ${line}`, giver]),
  )
}
