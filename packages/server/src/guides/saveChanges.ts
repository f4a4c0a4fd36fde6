import type { GuideId, NewId, PersonId, PictureId, QuizId } from '@jackdaw/core/shared'
import type { DraftConflict } from '@jackdaw/contracts/guides'
import {
  itemOf,
  pictureRefsIn,
  pictureRefsOf,
  readChange,
  rebase,
  targetsOf,
  theirsIn,
  withBlockIds,
  type Change,
  type Conflict,
  type GuideDocument,
  type OldChange,
} from '@jackdaw/core/guides'
import { guideItem, itemKey } from '@jackdaw/core/items'
import type { Db } from '../db'
import type { Telling } from '../inbox'
import { keepClashes } from './clashes'
import { ownersOf } from '../files'
import { fail, failField, type Caller } from '../http'
import { foreignQuizzes } from './takableQuizzes'
import { changesSince, findChangeSet, findDraft, findFacts, savedSince, writeChanges, writeDraft, type StoredChanges } from './store'

type Request = { baseRevision: number; changeSetId: string; changes: (Change | OldChange)[] }
type Saved = { revision: number; missed: StoredChanges[]; conflicts: DraftConflict[] }

/** Refuses pictures of other guides, wherever in a change they stand. Where an element is said to stand may also be a sheet, or what the
 * draft says already. */
async function refuseForeignPictures(tx: Db, guideId: GuideId, changes: readonly Change[], document: GuideDocument): Promise<void> {
  const refs = changes.map(pictureRefsIn)
  const asked = new Set(refs.flatMap(({ stored, elements }) => [...stored, ...elements]))
  if (asked.size === 0) return
  const owners = await ownersOf(tx, [...asked])
  const said = new Set<string>(refs.some(({ elements }) => elements.length > 0) ? pictureRefsOf(document.items).elements : [])
  const own = itemKey(guideItem(guideId))
  const foreign = (id: PictureId) => owners.has(id) && owners.get(id) !== own && !said.has(id)
  const at = refs.findIndex(({ stored, elements }) => stored.some((id) => owners.get(id) !== own) || elements.some(foreign))
  if (at >= 0) failField(`/body/changes/${at}`, 'This picture does not belong to the guide. Add its file to the guide first.')
}

/** The quiz that a change brings among the steps. */
const quizIn = (change: Change): QuizId | null => {
  if (change.type === 'set-quiz') return change.quizId
  return change.type === 'insert-item' && change.item.kind === 'quiz' ? change.item.quizId : null
}
async function refuseForeignQuizzes(tx: Db, guideId: GuideId, changes: readonly Change[], personId: PersonId): Promise<void> {
  const quizzes = changes.map(quizIn)
  const foreign = await foreignQuizzes(
    tx,
    guideId,
    quizzes.filter((id) => id !== null),
    personId,
  )
  const at = quizzes.findIndex((id) => id !== null && foreign.has(id))
  if (at >= 0) failField(`/body/changes/${at}`, 'There is no such quiz, or you may not see it. Choose another one.')
}

/** So much may have been saved by others since the state on which changes were made: beyond it, they are not brought onto the newest one. */
const MOST_SINCE = { savings: 5_000, chars: 8_000_000 }

async function refuseOldBase(tx: Db, guideId: GuideId, baseRevision: number): Promise<void> {
  const { savings, chars } = await savedSince(tx, guideId, baseRevision)
  if (savings > MOST_SINCE.savings || chars > MOST_SINCE.chars)
    fail(
      'draft-moved-on',
      'So much was changed since this page was opened that your changes cannot be brought onto it. They are kept in this browser: save a copy of them, then load the page again.',
    )
}

function withIds(change: Change, newId: NewId): Change {
  if (change.type === 'set-step' && change.fields.body)
    return { ...change, fields: { ...change.fields, body: withBlockIds(change.fields.body, newId) } }
  if (change.type === 'insert-item' && change.item.kind === 'step')
    return { ...change, item: { ...change.item, body: withBlockIds(change.item.body, newId) } }
  return change
}

/** What stands in the place of each refused change, and who put it there. */
function told(conflicts: readonly Conflict[], document: GuideDocument, since: readonly StoredChanges[]): DraftConflict[] {
  if (conflicts.length === 0) return []
  const byTarget = new Map<string, StoredChanges['by']>()
  const byItem = new Map<string | null, StoredChanges['by']>()
  for (const { changes, by } of since)
    for (const change of changes) {
      byItem.set(itemOf(change), by)
      for (const target of targetsOf(change)) byTarget.set(target, by)
    }
  const theirs = theirsIn(document)
  return conflicts.map((conflict) => ({
    ...conflict,
    by: byTarget.get(conflict.target) ?? byItem.get(conflict.itemId) ?? null,
    theirs: theirs(conflict.target),
  }))
}

/** Saves changes to a draft. Changes of others since the base are left as they are; where both changed the same, theirs stays and
 * the refused change is handed back. The same set sent twice is saved once and answered alike. */
export async function saveDraftChanges(
  db: Db,
  telling: Telling,
  caller: Pick<Caller, 'id'>,
  guideId: GuideId,
  { changes: asked, ...request }: Request,
  now: number,
): Promise<Saved> {
  const mine = asked.map(readChange)
  return db.transaction(async (tx) => {
    const draft = (await findDraft(tx, guideId, true)) ?? fail('not-found')
    const before = await findChangeSet(tx, guideId, request.changeSetId)
    if (before) {
      const missed = await changesSince(tx, guideId, Math.min(request.baseRevision, draft.revision))
      return { revision: draft.revision, missed: missed.filter((saved) => saved.revision !== before.revision), conflicts: before.conflicts }
    }
    if (request.baseRevision > draft.revision)
      fail('draft-moved-on', 'The server knows an older draft than this page. Your changes are kept in this browser; load the page again.')
    if ((await findFacts(tx, guideId))?.archived) fail('item-archived', 'Take the guide out of the archive to change it.')
    await refuseOldBase(tx, guideId, request.baseRevision)
    await refuseForeignPictures(tx, guideId, mine, draft.document)
    await refuseForeignQuizzes(tx, guideId, mine, caller.id)
    const since = await changesSince(tx, guideId, request.baseRevision)
    const theirs = since.filter((saved) => saved.changes.length > 0)
    const result = rebase(
      mine.map((change) => withIds(change, telling.newId)),
      theirs.flatMap((saved) => saved.changes),
      draft.document,
    )
    const conflicts = told(result.conflicts, result.document, theirs)
    const revision = draft.revision + 1
    await writeChanges(tx, guideId, { revision, changeSetId: request.changeSetId, changes: result.applied, conflicts, by: caller.id, now })
    await writeDraft(tx, guideId, { revision, document: result.document }, draft.document, caller.id, now)
    await keepClashes(tx, telling, { guideId, personId: caller.id, title: result.document.title }, conflicts, now)
    return { revision, missed: since, conflicts }
  })
}
