import type { GuestVisitId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'

type Kept = { visit: GuestVisitId; named: boolean }
const keyOf = (token: string): string => `jackdaw-visit-${token.slice(0, 8)}`

/** The visit of this tab, also after it is loaded anew; another tab is another visit. `named`: whether its number was named. */
export function visitOf(token: string): Kept {
  try {
    const kept = sessionStorage.getItem(keyOf(token))
    if (kept) return JSON.parse(kept) as Kept
  } catch {
    // In frames of other sites browsers may keep nothing: then each time that the page is loaded is a visit.
  }
  const fresh = { visit: nanoid<GuestVisitId>(), named: false }
  keepVisit(token, fresh)
  return fresh
}
export function keepVisit(token: string, visit: Kept): void {
  try {
    sessionStorage.setItem(keyOf(token), JSON.stringify(visit))
  } catch {
    // As above.
  }
}
