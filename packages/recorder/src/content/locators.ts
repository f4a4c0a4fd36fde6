import type { Locator } from '@jackdaw/core/guides'
import { computeAccessibleName, getRole } from 'dom-accessibility-api'

/** How often each role and name occurs in the page; made in idle time. */
export type NameIndex = Map<string, number>

const INTERACTIVE =
  'a[href], button, input, select, textarea, summary, [role="button"], [role="link"], [role="menuitem"], [role="menuitemcheckbox"], [role="menuitemradio"], [role="tab"], [role="option"], [role="checkbox"], [role="radio"], [role="switch"], [role="treeitem"], [role="combobox"], [role="textbox"], [role="slider"], [contenteditable=""], [contenteditable="true"]'
/** Elements that are there to be acted on. */
export const isInteractive = (element: Element): boolean => element.matches(INTERACTIVE)

const MOST_INDEXED = 3_000
const key = (role: string, name: string) => `${role}\n${name}`

/** Names of everything that can be acted on, in steps. */
export function* indexing(roots: readonly (Document | ShadowRoot)[]): Generator<void, NameIndex> {
  const index: NameIndex = new Map()
  let n = 0
  for (const root of roots)
    for (const element of root.querySelectorAll(INTERACTIVE)) {
      if (++n > MOST_INDEXED) return index
      if (n % 16 === 0) yield
      const of = key(getRole(element) ?? '', shortName(element))
      index.set(of, (index.get(of) ?? 0) + 1)
    }
  return index
}
const shortName = (element: Element): string =>
  (element.childElementCount > 40 ? (element.textContent ?? '').slice(0, 300) : computeAccessibleName(element)).replace(/\s+/g, ' ').trim()

/** An id or class made by a program at random or by counting does not hold until tomorrow. */
const holds = (word: string): boolean =>
  word.length < 60 && !/\d{3,}|^[a-z]?[0-9a-f]{6,}$|:r\w*:|^(?:ember|react|mui|radix|headlessui|ng-|css-|sc-)/i.test(word)
const quoted = (text: string): string => `"${text.replace(/["\\]/g, '\\$&')}"`

function only(root: ParentNode, selector: string): boolean {
  try {
    return root.querySelectorAll(selector).length === 1
  } catch (error) {
    if (error instanceof DOMException) return false
    throw error
  }
}

/** Ways to find an element again, best first; weights as measured (shared notes on the recorder). */
export function locatorsOf(
  element: Element,
  role: string,
  name: string,
  context: { place: Element; name: string } | undefined,
  names: NameIndex | null,
): Locator[] {
  const root = element.getRootNode() as Document | ShadowRoot
  const found: Locator[] = []
  const add = (kind: Locator['kind'], value: string | null | undefined, weight: number, unique: boolean) => {
    if (value) found.push({ kind, value: value.slice(0, 500), weight, unique })
  }
  for (const attribute of ['data-testid', 'data-test', 'data-cy', 'data-qa']) {
    const value = element.getAttribute(attribute)
    if (value) add('test-id', `${attribute}=${value}`, 1, only(root, `[${attribute}=${quoted(value)}]`))
  }
  const alike = name === '' ? 0 : isInteractive(element) ? (names?.get(key(role, name)) ?? 1) : countAlike(element, name)
  if (name !== '' && context)
    add('role-name-context', `${role} ${quoted(name)} in ${quoted(context.name)}`, 0.9, isOnlyIn(context.place, element, name))
  if (element.id && holds(element.id)) add('id', element.id, 0.9, only(root, `#${CSS.escape(element.id)}`))
  if (name !== '') add('role-name', `${role} ${quoted(name)}`, 0.85, alike <= 1)
  const label = (element as HTMLInputElement).labels?.[0]?.textContent?.replace(/\s+/g, ' ').trim()
  add('label', label && label === name ? label : undefined, 0.85, alike <= 1)
  for (const [attribute, kind, weight] of [
    ['name', 'name-attribute', 0.8],
    ['placeholder', 'placeholder', 0.65],
    ['title', 'title', 0.65],
  ] as const) {
    const value = element.getAttribute(attribute)
    if (value) add(kind, value, weight, only(root, `${element.localName}[${attribute}=${quoted(value)}]`))
  }
  const href = element.getAttribute('href')
  if (href && !/^(?:javascript|mailto|tel|data|blob):/i.test(href))
    add('href', href.replace(/\?.*$/, ''), 0.65, only(root, `[href=${quoted(href)}]`))
  const text = element.childElementCount < 10 ? (element.textContent ?? '').replace(/\s+/g, ' ').trim() : ''
  if (text !== '' && text !== name && text.length < 100) add('text', text, 0.6, false)
  const css = cssOf(element)
  add('css', css, 0.5, css !== '' && only(root, css))
  add('path', pathOf(element), 0.2, true)
  return found.slice(0, 16)
}

const MOST_COUNTED = 3_000
/** How many elements of this kind say the same, of those that are in no index: cells, headings, plain boxes. */
function countAlike(element: Element, name: string): number {
  const root = element.getRootNode() as Document | ShadowRoot
  const all = root.querySelectorAll(element.localName)
  if (all.length > MOST_COUNTED) return 1
  let count = 0
  for (const each of all) if (each.childElementCount < 10 && (each.textContent ?? '').replace(/\s+/g, ' ').trim() === name) count++
  return Math.max(1, count)
}

const MOST_COMPARED = 60
/** Whether nothing else of the same kind in a row or group is called the same. */
function isOnlyIn(place: Element, element: Element, name: string): boolean {
  const alike = [...place.getElementsByTagName(element.localName)].filter((each) => each !== element)
  return alike.length <= MOST_COMPARED && !alike.some((each) => shortName(each) === name)
}

/** A short selector from stable ids, classes and kinds. */
export function cssOf(element: Element): string {
  const part = (each: Element): string => {
    if (each.id && holds(each.id)) return `#${CSS.escape(each.id)}`
    const classes = [...each.classList].filter(holds).slice(0, 2)
    const name = each.getAttribute('name')
    return `${each.localName}${classes.map((one) => `.${CSS.escape(one)}`).join('')}${name ? `[name=${quoted(name)}]` : ''}`
  }
  const parts: string[] = []
  for (let each: Element | null = element; each && parts.length < 4; each = each.parentElement) {
    parts.unshift(part(each))
    if (parts[0]!.startsWith('#')) break
  }
  return parts.join(' > ')
}

/** The way from the root by counting. */
function pathOf(element: Element): string {
  const parts: string[] = []
  for (let each: Element | null = element; each && each.parentElement && parts.length < 30; each = each.parentElement)
    parts.unshift(`${each.localName}:${[...each.parentElement.children].indexOf(each) + 1}`)
  return parts.join('/')
}
