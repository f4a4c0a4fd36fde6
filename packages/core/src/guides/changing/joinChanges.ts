import { joins, targetsOf } from './changeKinds'
import type { Change } from './changes'

/** Joins a change to the one before it when both rewrite the same text, as happens while one types.
 * @returns the joined change, or `null` when the two stay apart */
export function joinPair(earlier: Change, later: Change): Change | null {
  if (earlier.type !== later.type || !joins(later)) return null
  const [a, b] = [targetsOf(earlier), targetsOf(later)]
  if (a.length === 0 || a.length !== b.length || !a.every((target) => b.includes(target))) return null
  // The first of the two says where a new annotation goes.
  return later.type === 'put-annotation' && earlier.type === 'put-annotation' ? { ...later, after: earlier.after } : later
}

/** Makes a row of changes shorter without changing what it does: of neighbouring rewrites of one text only the last is kept. */
export function joinChanges(changes: readonly Change[]): Change[] {
  const joined: Change[] = []
  for (const change of changes) {
    const last = joined.at(-1)
    const pair = last ? joinPair(last, change) : null
    if (pair) joined[joined.length - 1] = pair
    else joined.push(change)
  }
  return joined
}
