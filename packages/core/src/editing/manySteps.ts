import {
  withBlockIds,
  type Caution,
  type Change,
  type GuideDocument,
  type GuideItem,
  type ItemId,
  type RichText,
  type Step,
} from '../guides'
import type { SignId } from '../guides'
import type { NewId, StepId } from '../shared'

/** The items with these ids, in the order of the guide. */
export const chosenItems = (document: GuideDocument, ids: ReadonlySet<string>): GuideItem[] =>
  document.items.filter((item) => ids.has(item.id))
/** The steps among them. */
export const chosenSteps = (document: GuideDocument, ids: ReadonlySet<string>): Step[] =>
  chosenItems(document, ids).filter((item) => item.kind === 'step')

/** The items from one to another, both included, whichever comes first. */
export function rangeBetween(document: GuideDocument, from: string, to: string): ItemId[] {
  const at = [from, to].map((id) => document.items.findIndex((item) => item.id === id)).sort((a, b) => a - b)
  if (at[0]! < 0) return []
  return document.items.slice(at[0], at[1]! + 1).map((item) => item.id)
}

/** Removes items. */
export const removeItems = (ids: readonly ItemId[]): Change[] => ids.map((itemId) => ({ type: 'remove-item', itemId }))

/** Moves items together behind another one, in the order in which they stand.
 * @param after `null`: to the beginning; one of the moved items: to where the first unmoved item before it is */
export function moveItems(document: GuideDocument, ids: ReadonlySet<string>, after: ItemId | null): Change[] {
  let at = after === null ? -1 : document.items.findIndex((item) => item.id === after)
  while (at >= 0 && ids.has(document.items[at]!.id)) at--
  let behind = at < 0 ? null : document.items[at]!.id
  return chosenItems(document, ids).map((item): Change => {
    const change: Change = { type: 'move-item', itemId: item.id, after: behind }
    behind = item.id
    return change
  })
}

const freshBlocks = (body: RichText, newId: NewId): RichText =>
  withBlockIds(
    {
      type: 'doc',
      content: body.content.map((block) => ({
        ...block,
        ...(block.attrs ? { attrs: { ...block.attrs, id: undefined } } : {}),
      })) as RichText['content'],
    },
    newId,
  )

/** Copies of items with ids of their own, which say what they were copied from. */
export const copiesOf = (items: readonly GuideItem[], newId: NewId): GuideItem[] =>
  items.map((item) => {
    if (item.kind === 'section') return { ...item, id: newId() as typeof item.id }
    const { combinedFrom: _, splitFrom: __, ...step } = item
    return { ...step, id: newId() as StepId, body: freshBlocks(step.body, newId), copiedFrom: step.id }
  })

/** Inserts items one behind the other. */
export function insertItems(items: readonly GuideItem[], after: ItemId | null): Change[] {
  let behind = after
  return items.map((item): Change => {
    const change: Change = { type: 'insert-item', item, after: behind }
    behind = item.id
    return change
  })
}

/** Splits a step in two where its author has the cursor. Pictures, action and cautions stay with the first.
 * @param first  text before the cursor
 * @param second text after it */
export const splitStep = (
  step: Step,
  first: RichText,
  second: RichText,
  newId: NewId,
): [Change, Extract<Change, { type: 'insert-item' }>] => [
  { type: 'set-body', stepId: step.id, body: first },
  {
    type: 'insert-item',
    item: { kind: 'step', id: newId() as StepId, body: freshBlocks(second, newId), pictures: [], splitFrom: step.id },
    after: step.id,
  },
]

/** Sets a caution on every step; where one with the same words stands already, only its level and whether it is to be acknowledged. */
export const cautionOnAll = (steps: readonly Step[], caution: Omit<Caution, 'id'>, newId: NewId): Change[] =>
  steps.map((step): Change => {
    const now = step.cautions ?? []
    const same = now.find((each) => each.words.trim() === caution.words.trim())
    const cautions = same
      ? now.map((each) => (each === same ? { ...each, ...caution } : each))
      : [...now, { ...caution, id: newId().slice(0, 21) }]
    return { type: 'set-cautions', stepId: step.id, cautions }
  })

/** Adds a sign to every step that does not have it. */
export const signOnAll = (steps: readonly Step[], sign: SignId): Change[] =>
  steps
    .filter((step) => !step.signs?.includes(sign))
    .map((step): Change => ({ type: 'set-signs', stepId: step.id, signs: [...(step.signs ?? []), sign] }))
