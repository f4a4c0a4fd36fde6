import type { DraftConflict } from '@jackdaw/contracts/guides'
import { itemOf, rebase, storedPicturesOf, withBlockIds, type Change, type Conflict, type GuideDocument } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { ownPictures } from '../files'
import { fail, failField, type Caller } from '../http'
import { changesSince, findDraft, findFacts, writeChanges, writeDraft, type StoredChanges } from './store'

type Request = { baseRevision: number; changeSetId: string; changes: Change[] }
type Saved = { revision: number; missed: StoredChanges[]; conflicts: DraftConflict[] }

const picturesIn = (change: Change): string[] =>
  change.type === 'insert-picture'
    ? storedPicturesOf(change.picture)
    : change.type === 'set-sheet'
      ? change.sheet.pictures.map((each) => each.id)
      : change.type === 'insert-item' && change.item.kind === 'step'
        ? change.item.pictures.flatMap(storedPicturesOf)
        : []

async function refuseForeignPictures(db: Db, guideId: GuideId, changes: readonly Change[]): Promise<void> {
  const asked = changes.flatMap(picturesIn)
  const own = await ownPictures(db, guideId, asked)
  const at = changes.findIndex((change) => picturesIn(change).some((id) => !own.has(id)))
  if (at >= 0) failField(`/body/changes/${at}`, 'This picture does not belong to the guide. Add its file to the guide first.')
}

function withIds(change: Change, newId: () => string): Change {
  if (change.type === 'set-body') return { ...change, body: withBlockIds(change.body, newId) }
  if (change.type === 'insert-item' && change.item.kind === 'step')
    return { ...change, item: { ...change.item, body: withBlockIds(change.item.body, newId) } }
  return change
}

type Fact = 'title' | 'summary' | 'kind' | 'confirmSteps' | 'look' | 'signs'
/** A fact as it is told to somebody whose change of it was refused. */
function wordsOf(document: GuideDocument, fact: Fact): string | boolean {
  if (fact === 'look') return Object.keys(document.look).join(', ')
  return fact === 'signs' ? document.signs.join(', ') : document[fact]
}

/** What stands in the place of a refused change, and who put it there. */
function told(conflict: Conflict, document: GuideDocument, since: readonly StoredChanges[]): DraftConflict {
  const by = since.findLast((saved) => saved.changes.some((change) => itemOf(change) === conflict.itemId))?.by ?? null
  if (conflict.itemId !== null) return { ...conflict, by, theirs: document.items.find((item) => item.id === conflict.itemId) ?? null }
  const fact = conflict.target.replace('fact:', '') as Fact
  return { ...conflict, by, theirs: { kind: 'fact', value: wordsOf(document, fact) } }
}

/** Saves changes to a draft. Changes of others since the base are left as they are; where both changed the same, theirs stays and
 * the refused change is handed back. The same set sent twice is saved once and answered alike. */
export async function saveDraftChanges(
  db: Db,
  newId: () => string,
  caller: Caller,
  guideId: GuideId,
  request: Request,
  now: number,
): Promise<Saved> {
  await refuseForeignPictures(db, guideId, request.changes)
  return db.transaction(async (tx) => {
    const draft = (await findDraft(tx, guideId, true)) ?? fail('not-found')
    const since = await changesSince(tx, guideId, request.baseRevision)
    const before = since.find((saved) => saved.changeSetId === request.changeSetId)
    if (before) return { revision: draft.revision, missed: since.filter((saved) => saved !== before), conflicts: before.conflicts }
    if (request.baseRevision > draft.revision)
      fail('draft-moved-on', 'The server knows an older draft than this page. Your changes are kept in this browser; load the page again.')
    if ((await findFacts(tx, guideId))?.archived) fail('guide-archived', 'Take the guide out of the archive to change it.')
    const theirs = since.filter((saved) => saved.changes.length > 0)
    const result = rebase(
      request.changes.map((change) => withIds(change, newId)),
      theirs.flatMap((saved) => saved.changes),
      draft.document,
    )
    const conflicts = result.conflicts.map((conflict) => told(conflict, result.document, theirs))
    const revision = draft.revision + 1
    await writeChanges(tx, guideId, { revision, changeSetId: request.changeSetId, changes: result.applied, conflicts, by: caller.id, now })
    await writeDraft(tx, guideId, { revision, document: result.document }, caller.id, now)
    return { revision, missed: since, conflicts }
  })
}
