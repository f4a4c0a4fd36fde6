import { NEWEST_VERSION, readChange, readDocument, type Change, type GuideDocument, type OldChange } from '@jackdaw/core/guides'
import type { FolderId, GuideId, PersonId } from '@jackdaw/core/shared'
import type { DraftConflict, SavedChanges } from '@jackdaw/contracts/guides'
import type { Db } from '../db'
import { fail, StoredJson } from '../http'

export type GuideFacts = {
  id: GuideId
  number: number
  owner: { id: PersonId; name: string }
  folderId: FolderId | null
  newestEdition: number | null
  archived: boolean
}
type FactsRow = {
  id: GuideId
  number: number
  owner_id: PersonId
  owner: string
  folder_id: FolderId | null
  newest_edition: number | null
  archived_at: Date | null
}

export async function findFacts(db: Db, id: GuideId): Promise<GuideFacts | undefined> {
  const row = await db.one<FactsRow>(
    `select g.id, g.number, g.owner_id, p.name as owner, g.folder_id, g.newest_edition, g.archived_at from guide g join person p on p.id = g.owner_id where g.id = $1`,
    [id],
  )
  if (!row) return undefined
  return {
    id: row.id,
    number: row.number,
    owner: { id: row.owner_id, name: row.owner },
    folderId: row.folder_id,
    newestEdition: row.newest_edition,
    archived: row.archived_at !== null,
  }
}

export const sharedWith = (db: Db, id: GuideId): Promise<{ id: PersonId; name: string }[]> =>
  db.rows('select p.id, p.name from guide_share s join person p on p.id = s.person_id where s.guide_id = $1 order by p.name', [id])

export type DraftState = { revision: number; document: GuideDocument }
/** @param lock hold the draft until the end of the transaction */
export async function findDraft(db: Db, id: GuideId, lock = false): Promise<DraftState | undefined> {
  const row = await db.one<{ revision: number; document: unknown }>(
    `select revision, document from draft where guide_id = $1 ${lock ? 'for update' : ''}`,
    [id],
  )
  return row ? { revision: row.revision, document: readDocument(row.document) } : undefined
}

/** A draft as it is stored: its JSON, and what lists show of it. */
type DraftText = { documentText: string; title: string; kind: string }
/** A stored document to be sent on: as it stands where it is of today's version, else read and brought up to date. */
export const documentToSend = (text: string, isNewest: boolean): GuideDocument | StoredJson =>
  isNewest ? new StoredJson(text) : readDocument(JSON.parse(text))

/** A draft to be sent on. */
export async function findDraftToSend(
  db: Db,
  id: GuideId,
): Promise<{ revision: number; document: GuideDocument | StoredJson } | undefined> {
  const row = await db.one<{ revision: number; text: string; is_newest: boolean }>(
    `select revision, document::text as text, document ->> 'version' = $2 as is_newest from draft where guide_id = $1`,
    [id, String(NEWEST_VERSION)],
  )
  return row && { revision: row.revision, document: documentToSend(row.text, row.is_newest) }
}

/** A draft's document as it is stored, of whatever version. */
export const draftTextOf = async (db: Db, id: GuideId): Promise<string | undefined> =>
  (await db.one<{ text: string }>('select document::text as text from draft where guide_id = $1', [id]))?.text

/** The state of the draft that an edition froze. */
export const revisionOfEdition = async (db: Db, id: GuideId, number: number): Promise<number | undefined> =>
  (await db.one<{ revision: number }>('select revision from edition where guide_id = $1 and number = $2', [id, number]))?.revision

/** Creates a guide with its draft, given as a document or as its JSON.
 * @returns its number */
export async function insertGuide(
  db: Db,
  guide: { id: GuideId; ownerId: PersonId; folderId: FolderId | null; now: number } & ({ document: GuideDocument } | { draft: DraftText }),
): Promise<number> {
  const draft =
    'draft' in guide ? guide.draft : { documentText: storable(guide.document), title: guide.document.title, kind: guide.document.kind }
  return db.transaction(async (tx) => {
    const at = new Date(guide.now)
    const row = await tx.one<{ number: number }>(
      `insert into guide (id, title, kind, owner_id, folder_id, created_at, changed_at, changed_by) values ($1, $2, $3, $4, $5, $6, $6, $4) returning number`,
      [guide.id, draft.title, draft.kind, guide.ownerId, guide.folderId, at],
    )
    await tx.rows('insert into draft (guide_id, revision, document) values ($1, 0, $2)', [guide.id, draft.documentText])
    return row!.number
  })
}

/** Most that a draft may hold, in characters of its JSON: what is larger could not be opened and read in good time. */
export const MAX_DOCUMENT_CHARS = 12_000_000

/** A document as it is stored.
 * @param was the state before it: a draft that is too large already may be made smaller */
function storable(document: GuideDocument, was?: GuideDocument): string {
  const text = JSON.stringify(document)
  if (text.length > MAX_DOCUMENT_CHARS && (!was || text.length > JSON.stringify(was).length))
    fail(
      'too-large',
      `A guide may have ${MAX_DOCUMENT_CHARS / 1_000_000} million characters; this one would have ${(text.length / 1_000_000).toFixed(1)}. The guide is as it was: make two of it, or take a long text out.`,
    )
  return text
}

export async function writeDraft(tx: Db, id: GuideId, next: DraftState, was: GuideDocument, by: PersonId, now: number): Promise<void> {
  await tx.rows('update draft set revision = $2, document = $3 where guide_id = $1', [id, next.revision, storable(next.document, was)])
  await tx.rows('update guide set title = $2, kind = $3, changed_at = $4, changed_by = $5 where id = $1', [
    id,
    next.document.title,
    next.document.kind,
    new Date(now),
    by,
  ])
}

type StoredConflict = Omit<DraftConflict, 'mine'> & { mine: Change | OldChange }
const readConflicts = (stored: readonly StoredConflict[]): DraftConflict[] =>
  stored.map((conflict) => ({ ...conflict, mine: readChange(conflict.mine) }))

type ChangeRow = {
  revision: number
  change_set_id: string
  changes: (Change | OldChange)[]
  conflicts: StoredConflict[]
  person_id: PersonId
  name: string
}
export type StoredChanges = SavedChanges & { changeSetId: string; conflicts: DraftConflict[] }
export async function changesSince(db: Db, id: GuideId, revision: number): Promise<StoredChanges[]> {
  const rows = await db.rows<ChangeRow>(
    `select c.revision, c.change_set_id, c.changes, c.conflicts, c.person_id, p.name from draft_change c join person p on p.id = c.person_id where c.guide_id = $1 and c.revision > $2 order by c.revision`,
    [id, revision],
  )
  return rows.map((row) => ({
    revision: row.revision,
    by: { id: row.person_id, name: row.name },
    changes: row.changes.map(readChange),
    changeSetId: row.change_set_id,
    conflicts: readConflicts(row.conflicts),
  }))
}

/** A set of changes by the id that its sender gave it. */
export async function findChangeSet(
  db: Db,
  id: GuideId,
  changeSetId: string,
): Promise<{ revision: number; conflicts: DraftConflict[] } | undefined> {
  const row = await db.one<{ revision: number; conflicts: StoredConflict[] }>(
    'select revision, conflicts from draft_change where guide_id = $1 and change_set_id = $2',
    [id, changeSetId],
  )
  return row && { revision: row.revision, conflicts: readConflicts(row.conflicts) }
}

/** How much was saved since a revision: how often, and how many characters of changes. */
export async function savedSince(db: Db, id: GuideId, revision: number): Promise<{ savings: number; chars: number }> {
  const row = await db.one<{ savings: number; chars: number }>(
    'select count(*)::int as savings, coalesce(sum(octet_length(changes::text)), 0)::float8 as chars from draft_change where guide_id = $1 and revision > $2',
    [id, revision],
  )
  return row!
}

export async function writeChanges(
  tx: Db,
  id: GuideId,
  saved: { revision: number; changeSetId: string; changes: Change[]; conflicts: DraftConflict[]; by: PersonId; now: number },
): Promise<void> {
  await tx.rows(
    'insert into draft_change (guide_id, revision, change_set_id, changes, conflicts, person_id, saved_at) values ($1, $2, $3, $4, $5, $6, $7)',
    [id, saved.revision, saved.changeSetId, JSON.stringify(saved.changes), JSON.stringify(saved.conflicts), saved.by, new Date(saved.now)],
  )
}

const HERE_FOR_MS = 20_000
/** Notes that somebody has the draft open.
 * @returns the others who have */
export async function noteAndListPresent(db: Db, id: GuideId, me: PersonId, now: number): Promise<{ id: PersonId; name: string }[]> {
  await db.rows(
    'insert into draft_presence (guide_id, person_id, seen_at) values ($1, $2, $3) on conflict (guide_id, person_id) do update set seen_at = excluded.seen_at',
    [id, me, new Date(now)],
  )
  return db.rows(
    'select p.id, p.name from draft_presence d join person p on p.id = d.person_id where d.guide_id = $1 and d.person_id <> $2 and d.seen_at > $3 order by p.name',
    [id, me, new Date(now - HERE_FOR_MS)],
  )
}

export type EditionRow = {
  number: number
  revision: number
  bytes: string
  change_note: string
  must_reread: boolean
  published_at: Date
  steps: number
  minutes: number
  publisher_id: PersonId
  publisher: string
  confirm_steps: boolean
}
const EDITION = `select e.number, e.revision, e.bytes, e.change_note, e.must_reread, e.published_at, e.steps, e.minutes, e.confirm_steps, e.published_by as publisher_id, p.name as publisher
  from edition e join person p on p.id = e.published_by`
export const findEdition = (db: Db, id: GuideId, number: number): Promise<EditionRow | undefined> =>
  db.one<EditionRow>(`${EDITION} where e.guide_id = $1 and e.number = $2`, [id, number])
export const listEditions = (db: Db, id: GuideId): Promise<Omit<EditionRow, 'bytes'>[]> =>
  db.rows(`${EDITION.replace('e.bytes, ', '')} where e.guide_id = $1 order by e.number desc`, [id])

/** When the last blackout was applied to pictures of an edition, epoch milliseconds; `null` when none was. */
export async function amendedAt(db: Db, id: GuideId, number: number): Promise<number | null> {
  const row = await db.one<{ at: Date | null }>(
    'select max(a.amended_at) as at from edition_amendment e join picture_amendment a on a.id = e.amendment_id where e.guide_id = $1 and e.edition = $2',
    [id, number],
  )
  return row?.at?.getTime() ?? null
}

/** Which of these guides a reader would not find behind a link. */
export async function deadAmong(db: Db, personId: PersonId, ids: readonly GuideId[]): Promise<GuideId[]> {
  const rows = await db.rows<{ id: GuideId }>(
    `select asked.id from unnest($2::text[]) as asked (id) where not exists (
       select 1 from guide g join guide_access a on a.guide_id = g.id and a.person_id = $1
       where g.id = asked.id and g.archived_at is null and g.newest_edition is not null)`,
    [personId, [...ids]],
  )
  return rows.map((row) => row.id)
}
