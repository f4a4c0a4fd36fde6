import { dueFor, type DueRule } from '@jackdaw/core/assignments'
import type { AudienceRule } from '@jackdaw/core/audiences'
import type { ItemRef } from '@jackdaw/core/items'
import type { LocalDate, NewId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { membersOf, standings } from './audience'

/** What came of giving an item: how many have it, who has been given it or has to read it anew, and until when, and who no longer has it. */
export type Assigned = { people: number; dated: { personId: PersonId; due: LocalDate | null }[]; lost: PersonId[] }
type Assign = { item: ItemRef; audience: AudienceRule; due: DueRule; by: PersonId; now: number; renewFor: ReadonlySet<string> }

/** Makes the assignments of an item what its audience says: people who belong to it now get it, those who no longer do lose it, and
 * the reasons are written down. Who has it already keeps their date; those in `renewFor` get a new one.
 * @returns how many people have it now, who got a date, and who lost it */
export async function assign(tx: Db, newId: NewId, { item, audience, due, by, now, renewFor }: Assign): Promise<Assigned> {
  const members = await membersOf(tx, audience)
  const before = new Set((await standings(tx, item)).map((standing) => standing.person_id))
  const dated = members.filter((member) => !before.has(member.id) || renewFor.has(member.id))
  const rows = dated.map((member) => {
    const date = dueFor(due, now, member.zone)
    return {
      id: newId(),
      person: member.id,
      due_on: date?.on ?? null,
      due_zone: date?.zone ?? null,
      due_at: date ? new Date(date.at).toISOString() : null,
    }
  })
  await tx.rows(
    `insert into assignment (id, person_id, item_kind, item_id, assigned_at, due_on, due_zone, due_at)
     select x.id, x.person, $1, $2, $3, x.due_on, x.due_zone, x.due_at from jsonb_to_recordset($4::jsonb) as x (id text, person text, due_on date, due_zone text, due_at timestamptz)
     on conflict (person_id, item_kind, item_id) do update set due_on = excluded.due_on, due_zone = excluded.due_zone, due_at = excluded.due_at`,
    [item.kind, item.id, new Date(now), JSON.stringify(rows)],
  )
  const reasons = members.flatMap((member) => member.kinds.map((kind, index) => ({ person: member.id, kind, ref: member.refs[index] })))
  await tx.rows(`delete from assignment where item_kind = $1 and item_id = $2 and person_id <> all ($3)`, [
    item.kind,
    item.id,
    members.map((member) => member.id),
  ])
  await tx.rows(
    `with wanted as (
       select a.id, x.kind, x.ref from jsonb_to_recordset($3::jsonb) as x (person text, kind text, ref text)
       join assignment a on a.item_kind = $1 and a.item_id = $2 and a.person_id = x.person),
     gone as (
       delete from assignment_reason r using assignment a where a.id = r.assignment_id and a.item_kind = $1 and a.item_id = $2
         and not exists (select 1 from wanted w where w.id = r.assignment_id and w.kind = r.kind and w.ref = r.ref))
     insert into assignment_reason (assignment_id, kind, ref, given_by, given_at) select id, kind, ref, $4, $5 from wanted on conflict do nothing`,
    [item.kind, item.id, JSON.stringify(reasons), by, new Date(now)],
  )
  const staying = new Set(members.map((member) => member.id))
  return {
    people: members.length,
    dated: rows.map((row) => ({ personId: row.person, due: row.due_on })),
    lost: [...before].filter((id) => !staying.has(id)),
  }
}
