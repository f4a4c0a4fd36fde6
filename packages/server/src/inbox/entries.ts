import type { Entry, InboxCounts } from '@jackdaw/contracts/inbox'
import type { InboxPart } from '@jackdaw/contracts/inboxPart'
import { aboutRefOf, type AboutRef, type EntryKind } from '@jackdaw/core/inbox'
import type { EntryId, PersonId } from '@jackdaw/core/shared'
import { Op } from 'sequelize'
import type { Db } from '../db'
import { fail } from '../http'
import { INBOX_ENTRY } from './model'

const PAGE_SIZE = 40
const OF_PART: Record<InboxPart, string> = { all: 'true', unread: 'read_at is null', open: 'settled_at is null' }

type Row = {
  id: EntryId
  kind: EntryKind
  about_kind: AboutRef['kind']
  about_id: AboutRef['id']
  data: Record<string, unknown>
  at: Date
  read_at: Date | null
  open: boolean
}
const entryOf = (row: Row): Entry => ({
  id: row.id,
  kind: row.kind,
  about: aboutRefOf(row.about_kind, row.about_id),
  data: row.data,
  at: row.at.getTime(),
  readAt: row.read_at?.getTime() ?? null,
  open: row.open,
})

/** How many entries of somebody are unread, and how many wait. */
export const inboxCounts = async (db: Db, personId: PersonId): Promise<InboxCounts> =>
  (await db.one<InboxCounts>(
    'select count(*) filter (where read_at is null)::int as unread, count(*) filter (where settled_at is null)::int as open from inbox_entry where person_id = $1 and (read_at is null or settled_at is null)',
    [personId],
  )) ?? { unread: 0, open: 0 }

/** A part of somebody's inbox, the newest first. @param before after which entry to go on */
export async function entriesFor(
  db: Db,
  personId: PersonId,
  part: InboxPart,
  before: { at: number; id: string } | null,
): Promise<{ rows: Entry[]; more: boolean }> {
  const rows = await db.rows<Row>(
    `select id, kind, about_kind, about_id, data, at, read_at, settled_at is null as open from inbox_entry
     where person_id = $1 and ${OF_PART[part]} and ($2::timestamptz is null or (at, id) < ($2, $3)) order by at desc, id desc limit ${PAGE_SIZE + 1}`,
    [personId, before ? new Date(before.at) : null, before?.id ?? ''],
  )
  return { rows: rows.slice(0, PAGE_SIZE).map(entryOf), more: rows.length > PAGE_SIZE }
}

/** Marks an entry of somebody as read or unread; one that is read already keeps its time. */
export async function markAs(db: Db, personId: PersonId, id: EntryId, read: boolean, now: number): Promise<void> {
  const found = await db.rows(
    'update inbox_entry set read_at = case when $3 then coalesce(read_at, $4) end where id = $1 and person_id = $2 returning id',
    [id, personId, read, new Date(now)],
  )
  if (found.length === 0) fail('not-found')
}

/** Marks everything as read that somebody had been told by a time. */
export const markAll = (db: Db, personId: PersonId, until: number, now: number): Promise<number> =>
  db.in(INBOX_ENTRY).update({ readAt: now }, { personId, readAt: null, at: { [Op.lte]: until } })
