import { ENTRIES, TO_DO_ENTRIES, type AboutRef, type EntryData, type EntryKind } from '@jackdaw/core/inbox'
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
 * wants that. What somebody has not seen yet, or has still to decide, is told anew instead of a second time. */
export const notify = <K extends EntryKind>(
  tx: Db,
  telling: Telling,
  kind: K,
  about: AboutRef,
  people: readonly Told<K>[],
  now: number,
): Promise<void> =>
  notifyOfMany(
    tx,
    telling,
    kind,
    people.map((told) => ({ ...told, about })),
    now,
  )

/** The same about several things at once. */
export async function notifyOfMany<K extends EntryKind>(
  tx: Db,
  { newId, mail, config }: Telling,
  kind: K,
  told: readonly (Told<K> & { about: AboutRef })[],
  now: number,
): Promise<void> {
  if (told.length === 0) return
  const { waits } = ENTRIES[kind]
  const rows = told.map(({ personId, data, about }) => ({
    id: newId<EntryId>(),
    person: personId,
    data,
    about: about.kind,
    item: about.id,
  }))
  const reached = await tx.rows<{ person_id: PersonId }>(
    `with told as (
       select x.id, x.person, x.data, x.about, x.item from jsonb_to_recordset($2::jsonb) as x (id text, person text, data jsonb, about text, item text) join person p on p.id = x.person and p.active),
     renewed as (
       update inbox_entry e set data = t.data, at = $3, read_at = null, mailed_at = null from told t
       where e.person_id = t.person and e.kind = $1 and e.about_kind = t.about and e.about_id = t.item and (e.read_at is null or e.settled_at is null)
       returning e.person_id, e.about_kind, e.about_id),
     added as (
       insert into inbox_entry (id, person_id, kind, about_kind, about_id, data, at, settled_at)
       select t.id, t.person, $1, t.about, t.item, t.data, $3, $4 from told t
       where not exists (select 1 from renewed r where r.person_id = t.person and r.about_kind = t.about and r.about_id = t.item) returning person_id)
     select person_id from renewed union select person_id from added`,
    [kind, JSON.stringify(rows), new Date(now), waits ? null : new Date(now)],
  )
  if (mail)
    await putJobs(
      tx,
      'send-mail',
      reached.map(({ person_id: personId }) => ({ data: { personId }, key: `${personId} ${now}` })),
      { afterS: config.mailGatherS },
    )
}

/** Says that a decision has been made, or an answer given: what waited for it waits no longer, and counts as seen. */
export const settle = async (tx: Db, kind: EntryKind, about: AboutRef, personId: PersonId, now: number): Promise<void> =>
  void (await tx.rows(
    `update inbox_entry set settled_at = coalesce(settled_at, $5), read_at = coalesce(read_at, $5)
     where person_id = $1 and kind = $2 and about_kind = $3 and about_id = $4 and (settled_at is null or read_at is null)`,
    [personId, kind, about.kind, about.id, new Date(now)],
  ))

/** Takes back all that asked people to do items and that they have not seen yet, because those are not to be done any more. */
export async function takeBackToDo(tx: Db, lost: readonly { about: AboutRef; people: readonly PersonId[] }[]): Promise<void> {
  const rows = lost.flatMap(({ about: { kind, id }, people }) => people.map((person) => ({ kind, id, person })))
  if (rows.length === 0) return
  await tx.rows(
    `delete from inbox_entry e using jsonb_to_recordset($1::jsonb) as x (kind text, id text, person text)
     where e.person_id = x.person and e.about_kind = x.kind and e.about_id = x.id and e.kind = any ($2) and e.read_at is null`,
    [JSON.stringify(rows), TO_DO_ENTRIES],
  )
}

/** Takes back all that anybody was told about something that is not there any more. */
export const takeBackAll = (tx: Db, about: AboutRef): Promise<number> =>
  tx.in(INBOX_ENTRY).remove({ aboutKind: about.kind, aboutId: about.id })
/** Takes back what somebody was told and has not seen yet, because it holds no more. */
export const takeBack = (tx: Db, kind: EntryKind, about: AboutRef, people: readonly PersonId[]): Promise<number> =>
  tx.in(INBOX_ENTRY).remove({ kind, aboutKind: about.kind, aboutId: about.id, personId: [...people], readAt: null })
