import type { Change } from './changes'
import type { GuideDocument, GuideItem, Step } from './document'

/** Why a change cannot be carried out on a document. */
export type Refusal = {
  ok: false
  reason: 'item-missing' | 'item-exists' | 'picture-missing' | 'picture-exists' | 'not-a-step' | 'not-a-section'
}
/** A change carried out: the new document, and the change that undoes it. */
export type Applied = { ok: true; document: GuideDocument; inverse: Change }

const refuse = (reason: Refusal['reason']): Refusal => ({ ok: false, reason })

function insertAfter<T extends { id: string }>(list: readonly T[], entry: T, after: string | null): T[] {
  const at = after === null ? 0 : list.findIndex((each) => each.id === after) + 1
  const index = after !== null && at === 0 ? list.length : at
  return [...list.slice(0, index), entry, ...list.slice(index)]
}
const before = <T extends { id: string }>(list: readonly T[], id: string): T['id'] | null =>
  list[list.findIndex((each) => each.id === id) - 1]?.id ?? null
const without = <T extends { id: string }>(list: readonly T[], id: string): T[] => list.filter((each) => each.id !== id)

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
  const was = before(items, item.id)
  if (change.type === 'remove-item')
    return { ok: true, document: { ...document, items: without(items, item.id) }, inverse: { type: 'insert-item', item, after: was } }
  const target = change.after === item.id ? was : change.after
  return {
    ok: true,
    document: { ...document, items: insertAfter(without(items, item.id), item, target) },
    inverse: { type: 'move-item', itemId: item.id, after: was },
  }
}

type StepChange = Extract<Change, { stepId: Step['id'] }>

function onStep(step: Step, change: StepChange): { step: Step; inverse: Change } | Refusal {
  const { stepId } = change
  if (change.type === 'set-body') return { step: { ...step, body: change.body }, inverse: { type: 'set-body', stepId, body: step.body } }
  if (change.type === 'insert-picture') {
    if (step.pictures.some((each) => each.id === change.picture.id)) return refuse('picture-exists')
    return {
      step: { ...step, pictures: insertAfter(step.pictures, change.picture, change.after) },
      inverse: { type: 'remove-picture', stepId, pictureId: change.picture.id },
    }
  }
  const picture = step.pictures.find((each) => each.id === change.pictureId)
  if (!picture) return refuse('picture-missing')
  const was = before(step.pictures, picture.id)
  switch (change.type) {
    case 'remove-picture':
      return {
        step: { ...step, pictures: without(step.pictures, picture.id) },
        inverse: { type: 'insert-picture', stepId, picture, after: was },
      }
    case 'move-picture':
      return {
        step: {
          ...step,
          pictures: insertAfter(without(step.pictures, picture.id), picture, change.after === picture.id ? was : change.after),
        },
        inverse: { type: 'move-picture', stepId, pictureId: picture.id, after: was },
      }
    case 'set-picture-alt':
      return {
        step: { ...step, pictures: step.pictures.map((each) => (each.id === picture.id ? { ...each, alt: change.alt } : each)) },
        inverse: { type: 'set-picture-alt', stepId, pictureId: picture.id, alt: picture.alt },
      }
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
    default: {
      const step = document.items.find((item) => item.id === change.stepId)
      if (!step) return refuse('item-missing')
      if (step.kind !== 'step') return refuse('not-a-step')
      const result = onStep(step, change)
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
