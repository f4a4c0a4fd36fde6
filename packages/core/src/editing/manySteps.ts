import { keysOf, type NewId, nth, type StepId } from '../shared'
import {
  changesBetween,
  copyOfItem,
  freshBlockIds,
  STEP_FIELDS,
  type Caution,
  type Change,
  type GuideDocument,
  type GuideItem,
  type ItemId,
  type RichText,
  type SignId,
  type Step,
} from '../guides'

/** The items with these ids, in the order of the guide. */
export const chosenItems = (document: GuideDocument, ids: ReadonlySet<string>): GuideItem[] =>
  document.items.filter((item) => ids.has(item.id))
/** The steps among them. */
export const chosenSteps = (document: GuideDocument, ids: ReadonlySet<string>): Step[] =>
  chosenItems(document, ids).filter((item) => item.kind === 'step')

/** The items from one to another, both included, whichever comes first. */
export function rangeBetween(document: GuideDocument, from: string, to: string): ItemId[] {
  const at = [from, to].map((id) => document.items.findIndex((item) => item.id === id)).sort((a, b) => a - b)
  if (nth(at, 0) < 0) return []
  return document.items.slice(at[0], nth(at, 1) + 1).map((item) => item.id)
}

/** Removes items. */
export const removeItems = (ids: readonly ItemId[]): Change[] => ids.map((itemId) => ({ type: 'remove-item', itemId }))

/** Moves items together behind another one, in the order in which they stand.
 * @param after `null`: to the beginning; one of the moved items: to where the first unmoved item before it is */
export function moveItems(document: GuideDocument, ids: ReadonlySet<string>, after: ItemId | null): Change[] {
  let at = after === null ? -1 : document.items.findIndex((item) => item.id === after)
  while (at >= 0 && ids.has(nth(document.items, at).id)) at--
  let behind = at < 0 ? null : nth(document.items, at).id
  return chosenItems(document, ids).map((item): Change => {
    const change: Change = { type: 'move-item', itemId: item.id, after: behind }
    behind = item.id
    return change
  })
}

/** Copies of items with ids of their own, which say what they were copied from. Where one of them leads to another, so do the copies.
 * @param elsewhere into another guide: what leads to steps that stay behind leads on to the next step there */
export function copiesOf(items: readonly GuideItem[], newId: NewId, elsewhere = false): GuideItem[] {
  const ids = new Map<string, string>(items.map((item) => [item.id, newId()]))
  return items.map((item) => copyOfItem(item, { newId, ids, elsewhere }))
}

/** Inserts items one behind the other. */
export function insertItems(items: readonly GuideItem[], after: ItemId | null): Change[] {
  let behind = after
  return items.map((item): Change => {
    const change: Change = { type: 'insert-item', item, after: behind }
    behind = item.id
    return change
  })
}

/** Splits a step in two where its author has the cursor. What stays with the first part and what goes with the second is said by `STEP_FIELDS`.
 * @param first  text before the cursor
 * @param second text after it
 * @returns the changes, and the id of the second part */
export function splitStep(step: Step, first: RichText, second: RichText, newId: NewId): { changes: Change[]; into: StepId } {
  const parts = keysOf(STEP_FIELDS).flatMap((field) => {
    if (field === 'body' || step[field] === undefined) return []
    return [[field, (STEP_FIELDS[field] as { split: (value: unknown) => readonly [unknown, unknown] }).split(step[field])] as const]
  })
  const of = (n: 0 | 1) => Object.fromEntries(parts.flatMap(([field, split]) => (split[n] === undefined ? [] : [[field, split[n]]])))
  const kept: Step = { kind: 'step', id: step.id, body: first, pictures: [], ...of(0) }
  const split: Step = {
    kind: 'step',
    id: newId<StepId>(),
    body: freshBlockIds(second, newId),
    pictures: [],
    ...of(1),
    splitFrom: step.id,
  }
  return { changes: [...changesBetween(step, kept), { type: 'insert-item', item: split, after: step.id }], into: split.id }
}

/** Sets a caution on every step; where one with the same words stands already, only its level and whether it is to be acknowledged. */
export const cautionOnAll = (steps: readonly Step[], caution: Omit<Caution, 'id'>, newId: NewId): Change[] =>
  steps.map((step): Change => {
    const now = step.cautions ?? []
    const same = now.find((each) => each.words.trim() === caution.words.trim())
    const cautions = same
      ? now.map((each) => (each === same ? { ...each, ...caution } : each))
      : [...now, { ...caution, id: newId().slice(0, 21) }]
    return { type: 'set-step', stepId: step.id, fields: { cautions } }
  })

/** Adds signs to every step that does not have them. */
export const signsOnAll = (steps: readonly Step[], signs: readonly SignId[]): Change[] =>
  steps.flatMap((step): Change[] => {
    const had = step.signs ?? []
    const more = signs.filter((sign) => !had.includes(sign))
    return more.length > 0 ? [{ type: 'set-step', stepId: step.id, fields: { signs: [...had, ...more] } }] : []
  })
