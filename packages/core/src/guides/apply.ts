import { applyToStep } from './applyToStep'
import type { Change } from './changes'
import type { GuideDocument, GuideItem } from './document'
import { insertAfter, placeBefore, without } from './lists'

/** Why a change cannot be carried out on a document. */
export type Refusal = {
  ok: false
  reason:
    | 'item-missing'
    | 'item-exists'
    | 'picture-missing'
    | 'picture-exists'
    | 'annotation-missing'
    | 'no-sheet'
    | 'not-a-step'
    | 'not-a-section'
}
/** A change carried out: the new document, and the change that undoes it. */
export type Applied = { ok: true; document: GuideDocument; inverse: Change }

const refuse = (reason: Refusal['reason']): Refusal => ({ ok: false, reason })

function onItems(
  document: GuideDocument,
  change: Extract<Change, { type: 'insert-item' | 'remove-item' | 'move-item' }>,
): Applied | Refusal {
  const { items } = document
  if (change.type === 'insert-item') {
    if (items.some((item) => item.id === change.item.id)) return refuse('item-exists')
    return {
      ok: true,
      document: { ...document, items: insertAfter(items, change.item, change.after) },
      inverse: { type: 'remove-item', itemId: change.item.id },
    }
  }
  const item = items.find((each) => each.id === change.itemId)
  if (!item) return refuse('item-missing')
  const was = placeBefore(items, item.id)
  if (change.type === 'remove-item')
    return { ok: true, document: { ...document, items: without(items, item.id) }, inverse: { type: 'insert-item', item, after: was } }
  const target = change.after === item.id ? was : change.after
  return {
    ok: true,
    document: { ...document, items: insertAfter(without(items, item.id), item, target) },
    inverse: { type: 'move-item', itemId: item.id, after: was },
  }
}

/** Carries out one change.
 * @returns the new document and the change that undoes it, or why it cannot be done; an anchor that is gone means "at the end" */
export function apply(change: Change, document: GuideDocument): Applied | Refusal {
  switch (change.type) {
    case 'set-facts': {
      const was = Object.fromEntries(Object.keys(change.facts).map((fact) => [fact, document[fact as keyof typeof change.facts]]))
      const facts = Object.fromEntries(Object.entries(change.facts).filter(([, value]) => value !== undefined))
      return { ok: true, document: { ...document, ...facts }, inverse: { type: 'set-facts', facts: was } }
    }
    case 'insert-item':
    case 'remove-item':
    case 'move-item':
      return onItems(document, change)
    case 'set-section-title': {
      const section = document.items.find((item) => item.id === change.sectionId)
      if (!section) return refuse('item-missing')
      if (section.kind !== 'section') return refuse('not-a-section')
      return {
        ok: true,
        document: replaceItem(document, { ...section, title: change.title }),
        inverse: { type: 'set-section-title', sectionId: section.id, title: section.title },
      }
    }
    case 'set-optional': {
      const section = document.items.find((item) => item.id === change.sectionId)
      if (!section) return refuse('item-missing')
      if (section.kind !== 'section') return refuse('not-a-section')
      const { optional = false, ...rest } = section
      return {
        ok: true,
        document: replaceItem(document, change.optional ? { ...rest, optional: true } : rest),
        inverse: { ...change, optional },
      }
    }
    case 'set-not-ready': {
      const item = document.items.find((each) => each.id === change.itemId)
      if (!item) return refuse('item-missing')
      const { notReady: _, ...rest } = item
      return {
        ok: true,
        document: replaceItem(document, change.notReady ? { ...rest, notReady: true } : rest),
        inverse: { ...change, notReady: item.notReady === true },
      }
    }
    case 'silence': {
      const others = document.silenced.filter((each) => each !== change.finding)
      return {
        ok: true,
        document: { ...document, silenced: change.silenced ? [...others, change.finding].sort() : others },
        inverse: { ...change, silenced: others.length < document.silenced.length },
      }
    }
    default: {
      const step = document.items.find((item) => item.id === change.stepId)
      if (!step) return refuse('item-missing')
      if (step.kind !== 'step') return refuse('not-a-step')
      const result = applyToStep(step, change)
      if ('ok' in result) return result
      return { ok: true, document: replaceItem(document, result.step), inverse: result.inverse }
    }
  }
}

const replaceItem = (document: GuideDocument, item: GuideItem): GuideDocument => ({
  ...document,
  items: document.items.map((each) => (each.id === item.id ? item : each)),
})

/** Carries out changes one after the other; those that cannot be done are left out and told.
 * @returns the document, the inverses in the order in which they undo, and the refused changes */
export function applyAll(
  changes: readonly Change[],
  document: GuideDocument,
): { document: GuideDocument; inverses: Change[]; refused: Change[] } {
  let current = document
  const inverses: Change[] = []
  const refused: Change[] = []
  for (const change of changes) {
    const result = apply(change, current)
    if (result.ok) {
      current = result.document
      inverses.unshift(result.inverse)
    } else refused.push(change)
  }
  return { document: current, inverses, refused }
}
