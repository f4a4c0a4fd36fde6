import type { ExportOrder, ExportRow } from '@jackdaw/contracts/exports'
import { aboutExport } from '@jackdaw/core/inbox'
import type { ExportId, PersonId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { noteRemoval } from '../../files'
import { fail, type BlackoutFollower, type Caller, type Parts } from '../../http'
import { notifyOfMany, takeBack, takeBackAll } from '../../inbox'
import { putJob } from '../../jobs'
import { choose } from './choose'
import { EXPORT_FILE, type ExportFile } from './model'

/** Files of one person that wait at the same time. */
const MOST_WAITING = 10
/** What is not written by then never will be: its job has been given up. */
const GIVEN_UP_MS = 4 * 3_600_000
/** Files of one person that are listed. */
const MOST_LISTED = 100

/** A file as its person sees it. */
export const shown = (row: ExportFile): ExportRow => ({
  id: row.id,
  title: row.title,
  format: row.toldAs.format,
  guides: row.guides,
  draft: row.draft,
  state: row.state,
  progress: row.done !== null && row.ofAll !== null ? { done: row.done, of: row.ofAll } : null,
  askedAt: row.askedAt,
  keptUntil: row.keptUntil,
  bytes: row.bytes,
  pages: row.pages,
  missing: row.missing,
  reason: row.reason,
  gone: row.gone,
})

/** Notes that guides are to be written as a file. */
export async function noteOrder(db: Db, id: ExportId, caller: Caller, { what, as, title, draft }: ExportOrder, now: number): Promise<void> {
  const { guides } = await choose(db, caller, { what, as, draft })
  const named = await db.one<{ title: string }>('select title from guide where id = $1', [guides[0]!])
  await db.in(EXPORT_FILE).insert({
    id,
    personId: caller.id,
    title: title || named?.title || '',
    what,
    toldAs: as,
    draft,
    language: caller.language,
    guides: guides.length,
    state: 'waiting',
    askedAt: now,
    missing: [],
  })
}

/** Has guides written as a file.
 * @returns its id */
export async function order({ database: db, newId }: Parts, caller: Caller, asked: ExportOrder, now: number): Promise<ExportId> {
  const waiting = await db.rows<{ n: number }>(
    `select count(*)::int as n from export_file where person_id = $1 and state in ('waiting', 'writing')`,
    [caller.id],
  )
  if ((waiting[0]?.n ?? 0) >= MOST_WAITING) fail('too-many-tries', 'Ten files of yours are being written already. Wait until one is ready.')
  return db.transaction(async (tx) => {
    const id = newId<ExportId>()
    await noteOrder(tx, id, caller, asked, now)
    await putJob(tx, 'write-export', { exportId: id }, id)
    return id
  })
}

/** The files that somebody has had made, the newest first. */
export const listOf = async (db: Db, personId: PersonId): Promise<ExportRow[]> =>
  (await db.in(EXPORT_FILE).find({ personId }, { order: [['askedAt', 'DESC']], limit: MOST_LISTED })).map(shown)

/** Deletes a file with all that says that it was there. */
export async function remove(db: Db, id: ExportId): Promise<void> {
  await db.transaction(async (tx) => {
    const [row] = await tx.rows<{ hash: string | null }>('delete from export_file where id = $1 returning hash', [id])
    if (row?.hash) await noteRemoval(tx, [row.hash])
    await takeBackAll(tx, aboutExport(id))
  })
}

/** Files go whose days are over; after as many days again, nothing says any more that they were there.
 * @returns how many files went */
export async function removeOld(db: Db, now: number): Promise<number> {
  return db.transaction(async (tx) => {
    const gone = await tx.rows<{ hash: string }>(
      `update export_file e set state = 'gone', gone = 'expired', hash = null from (select id, hash from export_file where state = 'ready' and kept_until < $1 for update) old
       where e.id = old.id returning old.hash as hash`,
      [new Date(now)],
    )
    await noteRemoval(
      tx,
      gone.map((row) => row.hash),
    )
    await tx.rows(`update export_file set state = 'failed', reason = $2 where state in ('waiting', 'writing') and asked_at < $1`, [
      new Date(now - GIVEN_UP_MS),
      'It could not be written in good time. Have it made anew.',
    ])
    await tx.rows(`delete from export_file where state in ('gone', 'failed') and asked_at < $1`, [new Date(now - 30 * 86_400_000)])
    return gone.length
  })
}

/** What a blackout reaches: every file with a picture that was blacked out goes at once, and whoever had it made is told. */
export const followBlackouts: BlackoutFollower = async (tx, parts, pictures, now) => {
  const gone = await tx.rows<{ id: ExportId; person_id: PersonId; title: string; hash: string }>(
    `update export_file e set state = 'gone', gone = 'blackout', hash = null from (
       select f.id, f.hash from export_file f where f.state = 'ready' and exists (select 1 from export_picture p where p.export_id = f.id and p.picture_id = any ($1)) order by f.id for update) old
     where e.id = old.id returning e.id, e.person_id, e.title, old.hash as hash`,
    [[...pictures]],
  )
  await noteRemoval(
    tx,
    gone.map((row) => row.hash),
  )
  for (const row of gone) await takeBack(tx, 'export-ready', aboutExport(row.id), [row.person_id])
  await notifyOfMany(
    tx,
    parts,
    'export-gone',
    gone.map((row) => ({ personId: row.person_id, about: aboutExport(row.id), data: { title: row.title } })),
    now,
  )
}
