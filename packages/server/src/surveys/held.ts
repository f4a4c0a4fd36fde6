import type { NewId } from '@jackdaw/core/shared'
import { comeToBeShown } from '@jackdaw/core/surveys'

/** Answers without names as they are written anew when another has come: in an order made by chance and under new ids, so that not even where they lie in the
 * database tells which came last, and so from whom; those first that come to be shown. */
export function writtenAnew<A extends { held: boolean }>(answers: readonly A[], newId: NewId): (A & { id: string })[] {
  const anew = answers.map((each) => ({ ...each, id: newId<string>() })).sort((a, b) => (a.id < b.id ? -1 : 1))
  const held = anew.filter((each) => each.held)
  const shown = new Set(held.slice(0, comeToBeShown(held.length)))
  return anew.map((each) => (shown.has(each) ? { ...each, held: false } : each))
}
