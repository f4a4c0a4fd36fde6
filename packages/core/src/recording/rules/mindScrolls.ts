import { originOf } from '../address'
import type { Act, Draft } from '../act'

/** A page that was busy for as long as this makes people wonder whether anything happens. */
const WAIT_MATTERS_MS = 1_500

/** Rule 7: a scroll matters only where it brought the element into sight, a wait only where it was long. Both become a word in the step
 * that follows. */
export function mindScrolls(drafts: readonly Draft[]): Draft[] {
  const kept: Draft[] = []
  let scroll = null as { tab: number; fromY: number; toY: number } | null
  for (const draft of drafts) {
    if (draft.verb === 'scroll') {
      const by = draft.action.scrolled
      if (by) scroll = scroll?.tab === draft.action.tab ? { ...scroll, toY: by.toY } : { tab: draft.action.tab, ...by }
      continue
    }
    kept.push({
      ...draft,
      waitFirst: (draft.action.waitedMs ?? 0) >= WAIT_MATTERS_MS && kept.length > 0,
      scrollFirst:
        (draft.list ?? draft.element)?.scrolledTo ??
        draft.element?.scrolledTo ??
        (scroll && scroll.tab === draft.action.tab ? broughtIntoSight(draft, scroll) : null),
    })
    scroll = null
  }
  return kept
}

function broughtIntoSight({ element, action }: Draft, { fromY, toY }: { fromY: number; toY: number }): 'down' | 'up' | null {
  if (!element || element.frame.length > 0) return null
  const wasAt = element.rect.y + (toY - fromY)
  if (wasAt >= action.window.height) return 'down'
  return wasAt + element.rect.height <= 0 ? 'up' : null
}

/** Rule 8: an act in another application than the one before begins a section. */
export function markApplications(drafts: readonly Draft[]): Act[] {
  let before: string | null = null
  return drafts
    .filter((draft): draft is Draft & Pick<Act, 'verb'> => draft.verb !== 'page' && draft.verb !== 'scroll')
    .map((draft) => {
      const here = originOf(draft.action.page.address)
      const startsApplication = before !== null && here !== before
      before = here
      return { ...draft, startsApplication }
    })
}
