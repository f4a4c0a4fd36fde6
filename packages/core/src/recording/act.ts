import type { Doubt, Verb } from '../guides'
import type { ActionId, ElementSeen, PrivateKind, RawAction } from './rawAction'

/** What the rules make of one or several raw actions: one thing that a reader will do. */
export type Act = {
  verb: Verb
  /** The raw action whose picture and page are shown. */
  action: RawAction
  /** All raw actions that it stands for, in order. */
  from: ActionId[]
  element?: ElementSeen | undefined
  /** The list in which `element` was chosen. */
  list?: ElementSeen | undefined
  onto?: ElementSeen | undefined
  value?: string | undefined
  hidden?: PrivateKind | undefined
  key?: string | undefined
  /** The page was busy for long before this could be done. */
  waitFirst: boolean
  /** The element was out of sight and had to be scrolled to. */
  scrollFirst: 'down' | 'up' | 'left' | 'right' | null
  /** It is the first in another application than the act before. */
  startsApplication: boolean
}

/** What an act is while the rules are still at work: with the raw kinds that never become a step by themselves. */
export type Draft = Omit<Act, 'verb'> & { verb: Verb | 'page' | 'scroll' }

/** How sure the rules are of a step, and why not entirely. */
export type Sureness = { sureness: number; doubts: Doubt[] }

const EDITABLE_ROLES = new Set(['textbox', 'searchbox', 'combobox', 'spinbutton', 'password'])
/** Whether text is typed into an element. */
export const isEditable = (element: ElementSeen | undefined): boolean =>
  element !== undefined && EDITABLE_ROLES.has(element.role) && element.tag !== 'select'

const strong = (element: ElementSeen): Map<string, string> =>
  new Map(
    element.locators
      .filter((locator) => locator.unique && ['test-id', 'id', 'name-attribute', 'label', 'css'].includes(locator.kind))
      .map((locator) => [locator.kind, locator.value]),
  )

/** Whether two sightings are of the same element. Locators that were unique decide; without any, kind, name and place do. */
export function sameElement(a: ElementSeen | undefined, b: ElementSeen | undefined): boolean {
  if (!a || !b || a.tag !== b.tag || a.role !== b.role || a.frame.join('|') !== b.frame.join('|')) return false
  const [mine, yours] = [strong(a), strong(b)]
  for (const [kind, value] of mine) {
    const other = yours.get(kind)
    if (other !== undefined) return other === value
  }
  return (
    a.name === b.name &&
    Math.abs(a.rect.x - b.rect.x) < 4 &&
    a.around.map((each) => each.name).join() === b.around.map((each) => each.name).join()
  )
}

/** Whether an act sends, saves or leaves: after it, what was entered before stands. */
export const commits = (draft: Draft): boolean =>
  ['page', 'open', 'open-link', 'back', 'forward', 'reload', 'switch-tab', 'press'].includes(draft.verb) ||
  (draft.verb === 'select' && (draft.element?.submits === true || ['button', 'menuitem', 'link'].includes(draft.element?.role ?? '')))
