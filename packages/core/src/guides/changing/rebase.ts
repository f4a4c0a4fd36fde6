import { sameValue } from '../../shared'
import { isDone, itemOf, singlesOf, targetsOf, type ChangeTarget } from './changeKinds'
import type { Change } from './changes'
import type { GuideDocument } from '../document'
import type { Limit } from '../limits'
import type { Refusal } from './refusal'
import { WorkingCopy } from './workingCopy'

/** A change that was not carried out because somebody else changed the same thing first.
 * `changed`: the same text; `gone`: the step or picture was removed; `removal`: one wants to remove what the other changed;
 * `limit`: with what the other has added there would be too much, see `GUIDE_LIMITS`. */
export type Conflict = {
  reason: 'changed' | 'gone' | 'removal' | 'limit'
  target: ChangeTarget
  itemId: string | null
  mine: Change
  limit?: Limit
}

/** The newest state with what could be carried out of one’s changes, and what clashed. */
export type Rebased = { document: GuideDocument; applied: Change[]; conflicts: Conflict[] }

/** The name under which a refused change is handed back. Of what is put in, each is handed back for itself. */
function nameOf(change: Change): ChangeTarget {
  if (change.type === 'insert-picture') return `alt:${change.stepId}:${change.picture.id}`
  return targetsOf(change)[0] ?? `item:${itemOf(change)}`
}

/** Brings changes that were made on an older state onto the newest one. Changes to different things all land. Takes a time that depends on
 * what is changed, and on the size of the document only once.
 * @param mine  changes made on the older state, in order
 * @param since what others did to it meanwhile, in order
 * @param document the newest state
 * @returns the document with all that could be carried out, and one conflict for each thing that could not */
export function rebase(mine: readonly Change[], since: readonly Change[], document: GuideDocument): Rebased {
  const theirTargets = new Set(since.flatMap(targetsOf))
  const theirItems = new Set(since.filter((change) => change.type !== 'move-item' && change.type !== 'insert-item').map(itemOf))
  const insertedByMe = new Set<string>(mine.flatMap((change) => (change.type === 'insert-item' ? [change.item.id] : [])))
  const conflicts = new Map<string, Conflict>()
  const applied: Change[] = []
  const copy = new WorkingCopy(document)

  const clash = (change: Change, reason: Conflict['reason'], limit?: Limit) => {
    const target = nameOf(change)
    conflicts.set(target, { reason, target, itemId: itemOf(change), mine: change, ...(limit ? { limit } : {}) })
  }
  const refused = (change: Change, refusal: Refusal) => {
    if (refusal.reason === 'over-limit') clash(change, 'limit', refusal.limit)
    else if (!isDone(change, copy.item(itemOf(change))) && !(change.type === 'insert-item' && insertedByMe.has(change.item.id)))
      clash(change, 'gone')
  }
  for (const change of mine.flatMap(singlesOf)) {
    const itemId = itemOf(change)
    if (change.type === 'remove-item' && theirItems.has(itemId) && copy.item(itemId)) {
      clash(change, 'removal')
      continue
    }
    const meets = targetsOf(change).some((target) => theirTargets.has(target) || conflicts.has(target))
    const before = copy.touchedBy(change)
    const result = copy.apply(change)
    if (!result.ok) refused(change, result)
    else if (meets && !sameValue(before, copy.touchedBy(change))) {
      copy.restore(change, before)
      clash(change, 'changed')
    } else applied.push(change)
  }
  return { document: copy.document(), applied, conflicts: [...conflicts.values()] }
}
