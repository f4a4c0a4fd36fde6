import type { Draft } from '../act'

/** A page that is loaded again this soon after something was done was loaded by that. */
const FOLLOWS_WITHIN_MS = 1_500

/** Rule 2: a page that opens because of what was done is no step of its own; one whose address was typed is. */
export function dropPages(drafts: readonly Draft[]): Draft[] {
  const kept: Draft[] = []
  let lastDoneAt = Number.NEGATIVE_INFINITY
  for (const draft of drafts) {
    const { action } = draft
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
