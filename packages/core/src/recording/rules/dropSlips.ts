import { pageKey } from '../address'
import { sameElement, type Draft } from '../act'

const isEscape = (draft: Draft | undefined): boolean => draft?.verb === 'press' && draft.key === 'Escape'
const opensSomething = (draft: Draft): boolean => draft.action.kind === 'click' && draft.element?.opens !== undefined
const isIn = ({ element }: Draft, kind: 'dialog'): boolean =>
  element?.role === kind || element?.around.some((each) => each.kind === kind) === true
const goes = (draft: Draft | undefined): boolean =>
  draft !== undefined && (draft.verb === 'open-link' || draft.verb === 'select') && draft.element !== undefined

/** Whether the next act takes back the one before: a menu opened and closed by the same press or by Escape, a dialog that came
 * up and was left by Escape, a way gone and gone back,
 * another browser tab looked at and left. */
function undoes(draft: Draft, next: Draft | undefined, before: Draft | undefined): boolean {
  if (!next) return false
  if (opensSomething(draft) && (isEscape(next) || (next.action.kind === 'click' && sameElement(draft.element, next.element)))) return true
  if (isEscape(next) && isIn(next, 'dialog') && goes(draft) && !isIn(draft, 'dialog')) return true
  // Going back is told by the page that one comes back to.
  if (next.verb === 'back' && goes(draft) && pageKey(next.action.page.address) === pageKey(draft.action.page.address)) return true
  return draft.verb === 'switch-tab' && next.verb === 'switch-tab' && before !== undefined && next.action.tab === before.action.tab
}

/** Rule 6: a slip that is undone at once is no step, nor is what undid it. */
export function dropSlips(drafts: readonly Draft[]): Draft[] {
  const kept: Draft[] = []
  const rest = drafts.filter((draft) => draft.verb !== 'scroll')
  const scrolls = drafts.filter((draft) => draft.verb === 'scroll')
  for (const draft of rest) {
    const last = kept.at(-1)
    if (last && undoes(last, draft, kept.at(-2))) kept.pop()
    else kept.push(draft)
  }
  return [...kept, ...scrolls].sort((a, b) => a.action.at - b.action.at)
}
