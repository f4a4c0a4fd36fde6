import { getRole } from 'dom-accessibility-api'

const TICKED = new Set(['switch', 'checkbox', 'menuitemcheckbox'])
const NATIVE = 'button, a[href], input, select, textarea, summary, option'
const KEYED = new Set([
  'button',
  'link',
  'menuitem',
  'menuitemcheckbox',
  'menuitemradio',
  'tab',
  'option',
  'treeitem',
  'checkbox',
  'radio',
  'switch',
  'gridcell',
  'columnheader',
])

/** Whether an element is ticked by a press, by its own word: what a page makes of plain elements tells no change. */
export const ticksByPress = (element: Element): boolean =>
  !(element instanceof HTMLInputElement) && TICKED.has(getRole(element) ?? '') && element.hasAttribute('aria-checked')

export const isTicked = (element: Element): boolean => element.getAttribute('aria-checked') === 'true'

/** Whether a page itself has to listen for Enter and the space bar on an element, so that the browser makes no click of them. */
export const isKeyedByPage = (element: Element): boolean => !element.matches(NATIVE) && KEYED.has(getRole(element) ?? '')

const ENTRIES = new Set(['option', 'treeitem', 'gridcell', 'menuitem', 'menuitemcheckbox', 'menuitemradio', 'row'])

/** The entry that the arrow keys have come to in a list whose field keeps the focus; `null` when none is. */
export function activeEntry(element: Element): Element | null {
  const id = element.getAttribute('aria-activedescendant')
  if (!id || element.getAttribute('aria-expanded') === 'false') return null
  const entry = (element.getRootNode() as Document | ShadowRoot).getElementById(id)
  return entry && ENTRIES.has(getRole(entry) ?? '') ? entry : null
}
/** Roles in which a letter leads to an entry that begins with it. */
const LED_BY_LETTERS =
  '[role="listbox"], [role="menu"], [role="menubar"], [role="tree"], [role="grid"], [role="combobox"], [role="radiogroup"], select'
export const isLedByLetters = (element: Element): boolean => element.closest(LED_BY_LETTERS) !== null

/** The value of a slider or counter that a page has made itself. */
export const valueOfSlider = (element: Element): string =>
  element.getAttribute('aria-valuetext') ?? element.getAttribute('aria-valuenow') ?? ''
export const isSlider = (element: Element): boolean => {
  const role = getRole(element)
  return !(element instanceof HTMLInputElement) && (role === 'slider' || role === 'spinbutton') && element.hasAttribute('aria-valuenow')
}
