import {
  NEWEST_VERSION,
  readChange,
  readDocument,
  type Change,
  type GuideDocument,
  type GuideKind,
  type OldChange,
} from '@jackdaw/core/guides'
import { guideItem, ITEM_KINDS } from '@jackdaw/core/items'
import type { FolderId, GuideId, PersonId } from '@jackdaw/core/shared'
import type { DraftConflict, SavedChanges } from '@jackdaw/contracts/guides'
import type { Db } from '../db'
import { fail, said, StoredJson } from '../http'
import { ITEM } from '../items'
import { DRAFT, DRAFT_CHANGE, DRAFT_PRESENCE, GUIDE } from './model'

export type GuideFacts = {
  id: GuideId
  number: number
  owner: { id: PersonId; name: string }
  folderId: FolderId | null
  /** The newest that is not withdrawn. */
  newestEdition: number | null
  archived: boolean
}
type FactsRow = {
  id: GuideId
  number: number
  owner_id: PersonId
  owner: string
  folder_id: FolderId | null
  edition: number | null
  archived_at: Date | null
}

export async function findFacts(db: Db, id: GuideId): Promise<GuideFacts | undefined> {
  const row = await db.one<FactsRow>(
    `select g.id, g.number, g.owner_id, p.name as owner, g.folder_id, i.edition, i.archived_at
     from guide g join item i on i.kind = 'guide' and i.id = g.id join person p on p.id = g.owner_id where g.id = $1`,
    [id],
  )
  if (!row) return undefined
  return {
    id: row.id,
    number: row.number,
    owner: { id: row.owner_id, name: row.owner },
    folderId: row.folder_id,
    newestEdition: row.edition,
    archived: row.archived_at !== null,
  }
}

export const sharedWith = (db: Db, id: GuideId): Promise<{ id: PersonId; name: string }[]> =>
  db.rows('select p.id, p.name from guide_share s join person p on p.id = s.person_id where s.guide_id = $1 order by p.name', [id])

export type DraftState = { revision: number; document: GuideDocument }
/** @param lock hold the draft until the end of the transaction */
export async function findDraft(db: Db, id: GuideId, lock = false): Promise<DraftState | undefined> {
  const row = await db.in(DRAFT).one({ guideId: id }, { lock })
  return row && { revision: row.revision, document: readDocument(row.document) }
}

/** A draft as it is stored: its JSON, and what lists show of it. */
type DraftText = { documentText: string; title: string; kind: GuideKind }
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

/** Creates a guide with its draft, given as a document or as its JSON.
 * @returns its number */
export async function insertGuide(
  db: Db,
  guide: { id: GuideId; ownerId: PersonId; folderId: FolderId | null; now: number } & ({ document: GuideDocument } | { draft: DraftText }),
): Promise<number> {
  const draft =
    'draft' in guide ? guide.draft : { documentText: storable(guide.document), title: guide.document.title, kind: guide.document.kind }
  return db.transaction(async (tx) => {
    const { id, ownerId, folderId, now } = guide
    const { title, kind } = draft
    const { number } = await tx.in(GUIDE).insert({ id, title, kind, ownerId, folderId, createdAt: now, changedAt: now, changedBy: ownerId })
    await tx.in(ITEM).insert({ ...guideItem(id), number, claimSuffices: ITEM_KINDS.guide.claimSuffices })
    // The JSON is written as it stands: large drafts are not read and written anew on the way.
    await tx.rows('insert into draft (guide_id, revision, document) values ($1, 0, $2)', [id, draft.documentText])
    return number
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
      said(
        'A guide may have {{most}} million characters; this one would have {{size}}. The guide is as it was: make two of it, or take a long text out.',
        { most: MAX_DOCUMENT_CHARS / 1_000_000, size: (text.length / 1_000_000).toFixed(1) },
      ),
    )
  return text
}

export async function writeDraft(tx: Db, id: GuideId, next: DraftState, was: GuideDocument, by: PersonId, now: number): Promise<void> {
  await tx.rows('update draft set revision = $2, document = $3 where guide_id = $1', [id, next.revision, storable(next.document, was)])
  const { title, kind } = next.document
  await tx.in(GUIDE).update({ title, kind, changedAt: now, changedBy: by }, { id })
}

export type StoredConflict = Omit<DraftConflict, 'mine'> & { mine: Change | OldChange }
export const readConflicts = (stored: readonly StoredConflict[]): DraftConflict[] =>
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
  const row = await db.in(DRAFT_CHANGE).one({ guideId: id, changeSetId }, { only: ['revision', 'conflicts'] })
  return row && { revision: row.revision, conflicts: readConflicts(row.conflicts as StoredConflict[]) }
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
  guideId: GuideId,
  {
    by,
    now,
    ...saved
  }: { revision: number; changeSetId: string; changes: Change[]; conflicts: DraftConflict[]; by: PersonId; now: number },
): Promise<void> {
  await tx.in(DRAFT_CHANGE).insert({ guideId, ...saved, personId: by, savedAt: now })
}

const HERE_FOR_MS = 20_000
/** Notes that somebody has the draft open.
 * @returns the others who have */
export async function noteAndListPresent(db: Db, id: GuideId, me: PersonId, now: number): Promise<{ id: PersonId; name: string }[]> {
  await db.in(DRAFT_PRESENCE).insertAll([{ guideId: id, personId: me, seenAt: now }], { inPlaceOf: ['seenAt'] })
  return db.rows(
    'select p.id, p.name from draft_presence d join person p on p.id = d.person_id where d.guide_id = $1 and d.person_id <> $2 and d.seen_at > $3 order by p.name',
    [id, me, new Date(now - HERE_FOR_MS)],
  )
}

/** Which of these guides a reader would not find behind a link. */
export async function deadAmong(db: Db, personId: PersonId, ids: readonly GuideId[]): Promise<GuideId[]> {
  const rows = await db.rows<{ id: GuideId }>(
    `select asked.id from unnest($2::text[]) as asked (id) where not exists (
       select 1 from item i join item_access a on a.item_kind = i.kind and a.item_id = i.id and a.person_id = $1
       where i.kind = 'guide' and i.id = asked.id and i.archived_at is null and i.edition is not null)`,
    [personId, [...ids]],
  )
  return rows.map((row) => row.id)
}
