import { canonicalJson } from '../shared'
import { apply } from './apply'
import { itemOf, targetsOf, type Change } from './changes'
import type { GuideDocument } from './document'

/** A change that was not carried out because somebody else changed the same thing first.
 * `changed`: the same text; `gone`: the step or picture was removed; `removal`: one wants to remove what the other changed. */
export type Conflict = { reason: 'changed' | 'gone' | 'removal'; target: string; itemId: string | null; mine: Change }

/** The newest state with what could be carried out of one’s changes, and what clashed. */
export type Rebased = { document: GuideDocument; applied: Change[]; conflicts: Conflict[] }

const targetsForRemoval = (change: Change): string[] => (change.type === 'remove-item' ? [`item:${change.itemId}`] : [])

/** Brings changes that were made on an older state onto the newest one. Changes to different things all land.
 * @param mine  changes made on the older state, in order
 * @param since what others did to it meanwhile, in order
 * @param document the newest state
 * @returns the document with all that could be carried out, and one conflict for each thing that could not */
export function rebase(mine: readonly Change[], since: readonly Change[], document: GuideDocument): Rebased {
  const theirTargets = new Set(since.flatMap(targetsOf))
  const theirItems = new Set(since.filter((change) => change.type !== 'move-item' && change.type !== 'insert-item').map(itemOf))
  const insertedByMe = new Set(mine.flatMap((change) => (change.type === 'insert-item' ? [change.item.id as string] : [])))
  const conflicts = new Map<string, Conflict>()
  const applied: Change[] = []
  let current = document

  const clash = (change: Change, reason: Conflict['reason']) => {
    const target = targetsOf(change)[0] ?? targetsForRemoval(change)[0] ?? `item:${itemOf(change)}`
    conflicts.set(target, { reason, target, itemId: itemOf(change), mine: change })
  }
  for (const change of mine) {
    const itemId = itemOf(change)
    if (change.type === 'remove-item' && itemId !== null && theirItems.has(itemId) && current.items.some((item) => item.id === itemId)) {
      clash(change, 'removal')
      continue
    }
    const meets = targetsOf(change).some((target) => theirTargets.has(target) || conflicts.has(target))
    const result = apply(change, current)
    if (!result.ok) {
      if (isAlreadyDone(change, current)) continue
      if (itemId !== null && insertedByMe.has(itemId) && change.type === 'insert-item') continue
      clash(change, 'gone')
    } else if (meets && canonicalJson(result.document) !== canonicalJson(current)) clash(change, 'changed')
    else {
      current = result.document
      applied.push(change)
    }
  }
  return { document: current, applied, conflicts: [...conflicts.values()] }
}

function isAlreadyDone(change: Change, document: GuideDocument): boolean {
  if (change.type === 'remove-item') return !document.items.some((item) => item.id === change.itemId)
  if (change.type === 'move-item') return true
  if (change.type === 'insert-item') return document.items.some((item) => item.id === change.item.id)
  if (change.type === 'remove-annotation') {
    const step = document.items.find((item) => item.id === change.stepId)
    const picture = step?.kind === 'step' ? step.pictures.find((each) => each.id === change.pictureId) : undefined
    return picture !== undefined && !picture.annotations?.some((each) => each.id === change.annotationId)
  }
  if (change.type !== 'remove-picture' && change.type !== 'insert-picture' && change.type !== 'move-picture') return false
  const step = document.items.find((item) => item.id === change.stepId)
  if (step?.kind !== 'step') return false
  const has = (id: string) => step.pictures.some((picture) => picture.id === id)
  return change.type === 'insert-picture' ? has(change.picture.id) : !has(change.pictureId)
}
