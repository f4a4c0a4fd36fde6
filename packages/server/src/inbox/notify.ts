import { ENTRIES, TO_DO_ENTRIES, type EntryData, type EntryKind } from '@jackdaw/core/inbox'
import type { ItemRef } from '@jackdaw/core/items'
import type { EntryId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { Parts } from '../http'
import { putJobs } from '../jobs'
import { INBOX_ENTRY } from './model'

/** What is needed to tell people something: `mail` is `null` where no mail leaves. */
export type Telling = Pick<Parts, 'newId' | 'mail' | 'config'>
/** Who is told, and what. */
export type Told<K extends EntryKind> = { personId: PersonId; data: EntryData<K> }

/** Tells people something, in the transaction in which it comes about: an entry in each one's inbox, which also stands in the mail of the day of whoever
 * wants that. What
 * somebody has not seen yet, or has still to decide, is told anew instead of a second time. */
export async function notify<K extends EntryKind>(
  tx: Db,
  { newId, mail, config }: Telling,
  kind: K,
  about: ItemRef,
  people: readonly Told<K>[],
  now: number,
): Promise<void> {
  if (people.length === 0) return
  const { waits } = ENTRIES[kind]
  const rows = people.map(({ personId, data }) => ({ id: newId<EntryId>(), person: personId, data }))
  const told = await tx.rows<{ person_id: PersonId }>(
    `with told as (
       select x.id, x.person, x.data from jsonb_to_recordset($4::jsonb) as x (id text, person text, data jsonb) join person p on p.id = x.person and p.active),
     renewed as (
       update inbox_entry e set data = t.data, at = $5, read_at = null, mailed_at = null from told t
       where e.person_id = t.person and e.kind = $1 and e.about_kind = $2 and e.about_id = $3 and (e.read_at is null or e.settled_at is null)
       returning e.person_id),
     added as (
       insert into inbox_entry (id, person_id, kind, about_kind, about_id, data, at, settled_at)
       select t.id, t.person, $1, $2, $3, t.data, $5, $6 from told t where not exists (select 1 from renewed r where r.person_id = t.person) returning person_id)
     select person_id from renewed union all select person_id from added`,
    [kind, about.kind, about.id, JSON.stringify(rows), new Date(now), waits ? null : new Date(now)],
  )
  if (mail)
    await putJobs(
      tx,
      'send-mail',
      told.map(({ person_id: personId }) => ({ data: { personId }, key: `${personId} ${now}` })),
      { afterS: config.mailGatherS },
    )
}

/** Says that a decision has been made: what waited for it waits no longer, and counts as seen. */
export const settle = async (tx: Db, kind: EntryKind, about: ItemRef, personId: PersonId, now: number): Promise<void> =>
  void (await tx.rows(
    `update inbox_entry set settled_at = $5, read_at = coalesce(read_at, $5) where person_id = $1 and kind = $2 and about_kind = $3 and about_id = $4 and settled_at is null`,
    [personId, kind, about.kind, about.id, new Date(now)],
  ))

/** Takes back all that asked somebody to do an item and that they have not seen yet, because it is not to be done any more. */
export const takeBackToDo = (tx: Db, about: ItemRef, people: readonly PersonId[]): Promise<number> =>
  tx.in(INBOX_ENTRY).remove({ kind: TO_DO_ENTRIES, aboutKind: about.kind, aboutId: about.id, personId: [...people], readAt: null })

/** Takes back what somebody was told and has not seen yet, because it holds no more. */
export const takeBack = (tx: Db, kind: EntryKind, about: ItemRef, people: readonly PersonId[]): Promise<number> =>
  tx.in(INBOX_ENTRY).remove({ kind, aboutKind: about.kind, aboutId: about.id, personId: [...people], readAt: null })
