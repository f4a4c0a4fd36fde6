import type { Draft } from '../act'

/** A page that is loaded again this soon after something was done was loaded by that. */
const FOLLOWS_WITHIN_MS = 1_500

/** Whether something was done in another tab before: going to the tab in which one is already is nothing. */
function leavesTab(kept: readonly Draft[], { action }: Draft): boolean {
  const before = kept.findLast((each) => each.verb !== 'scroll')
  return before !== undefined && before.action.tab !== action.tab
}

/** Rule 2: a page that opens because of what was done is no step of its own; one whose address was typed is. */
export function dropPages(drafts: readonly Draft[]): Draft[] {
  const kept: Draft[] = []
  let lastDoneAt = Number.NEGATIVE_INFINITY
  for (const draft of drafts) {
    const { action } = draft
    if (draft.verb === 'switch-tab' && !leavesTab(kept, draft)) continue
    if (draft.verb !== 'page') {
      if (draft.verb !== 'scroll') lastDoneAt = action.at
      kept.push(draft)
      continue
    }
    const first = !kept.some((each) => each.verb !== 'scroll')
    const came = action.opened === 'typed' || first
    const byKey = action.opened === 'reload'
    if (came && (first || action.at - lastDoneAt > 300)) {
      kept.push({ ...draft, verb: 'open' })
      lastDoneAt = action.at
    } else if (byKey && action.at - lastDoneAt > FOLLOWS_WITHIN_MS) kept.push({ ...draft, verb: 'reload' })
  }
  return kept
}
