import type { ElementSeen, PageSeen, PrivateKind, Surrounding, TextBox } from '@jackdaw/core/recording'
import { findPrivate, glyphIn, withoutPrivate, withoutValues, type Glyph } from '@jackdaw/core/recording'
import { computeAccessibleName, getRole } from 'dom-accessibility-api'
import { locatorsOf, type NameIndex } from './locators'
import { isSecret } from './secrets'
import { above, upTo } from './shadows'
import { standInOf } from './standIn'

/** What describing needs to know. */
export type Eyes = {
  kinds: ReadonlySet<PrivateKind>
  isName: (words: string) => boolean
  path: () => string[]
  toWindow: (rect: ElementSeen['rect']) => ElementSeen['rect']
  boxes: () => readonly TextBox[]
  names: () => NameIndex | null
  /** Which way the person scrolled until the element was in sight; `undefined` when it was all along. */
  scrolledTo: (element: Element) => ElementSeen['scrolledTo']
}

const LARGE = 200
const squeezed = (text: string): string => text.replace(/\s+/g, ' ').trim()

/** Role as assistive technology sees it, and `password` for a field that has none. */
const roleOf = (element: Element): string =>
  element instanceof HTMLInputElement && isSecret(element)
    ? 'password'
    : element instanceof HTMLElement && element.isContentEditable && !getRole(element)
      ? 'textbox'
      : (getRole(element) ?? '')

/** Accessible name; of something large only what it is labelled with. */
export function nameOfElement(element: Element): string {
  if (element.getElementsByTagName('*').length > LARGE)
    return squeezed(element.getAttribute('aria-label') ?? element.getAttribute('title') ?? '')
  const name = withoutComplaints(element, squeezed(computeAccessibleName(element)))
  return name || squeezed(element.getAttribute('placeholder') ?? '')
}

/** What a label says for a field that nobody sees; where it shows a sign, what it says it means. */
const nameOfStandIn = (label: Element): string => {
  const words = squeezed(label.textContent ?? '')
  return /[\p{L}\p{N}]/u.test(words) ? words : squeezed(label.getAttribute('aria-label') ?? label.getAttribute('title') ?? '')
}

/** What the picture on a small thing shows, by the names that its program gives to it. */
function glyphOf(element: Element): Glyph | undefined {
  const { width, height } = element.getBoundingClientRect()
  if (width > 72 || height > 72 || element.getElementsByTagName('*').length > 12) return undefined
  const marks = [element, ...element.querySelectorAll('svg, use, img, i, span, path, title')].flatMap((each) => [
    each.getAttribute('class'),
    each.getAttribute('data-icon'),
    each.getAttribute('data-lucide'),
    (each.getAttribute('href') ?? each.getAttribute('xlink:href'))?.replace(/^.*#/, ''),
    each instanceof HTMLImageElement ? each.src.replace(/^data:.*$/, '').replace(/^.*\/|\?.*$/g, '') : null,
    each.localName === 'title' ? each.textContent : null,
  ])
  return (
    glyphIn(squeezed(element.textContent ?? '').slice(0, 30)) ??
    glyphIn(marks.filter((mark) => mark !== null && mark !== undefined).join(' '))
  )
}

/** A label's own words: what a form has written into it about a wrong entry is no part of the name. */
function withoutComplaints(element: Element, name: string): string {
  const labels = [...((element as HTMLInputElement).labels ?? [])]
  const complaints = labels.flatMap((label) => [...label.querySelectorAll('[role="alert"], [aria-live="assertive"]')])
  return complaints.reduce((left, complaint) => squeezed(left.replace(squeezed(complaint.textContent ?? ''), '')), name)
}

/** Visible text; of something large only its beginning. */
export function textOf(element: Element): string {
  if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement || element instanceof HTMLSelectElement) return ''
  const text =
    element.getElementsByTagName('*').length > LARGE
      ? element.textContent
      : element instanceof HTMLElement
        ? element.innerText
        : element.textContent
  return squeezed((text ?? '').slice(0, 2_000))
}

/** Takes private text out of a string. */
export function scrubbed(text: string, { kinds, isName }: Pick<Eyes, 'kinds' | 'isName'>, hid?: Set<PrivateKind>): string {
  const passages = kinds.size > 0 ? findPrivate(text, kinds, isName) : []
  for (const passage of passages) hid?.add(passage.kind)
  return withoutPrivate(text, passages)
}

const headingIn = (root: ParentNode): string => {
  for (const heading of root.querySelectorAll('h1, [role="heading"][aria-level="1"], h2'))
    if (heading.checkVisibility({ visibilityProperty: true })) return squeezed(heading.textContent ?? '').slice(0, 300)
  return ''
}
const labelOf = (element: Element): string => {
  const by = element.getAttribute('aria-labelledby')
  const labelled = by
    ? by
        .split(/\s+/)
        .map((id) => (element.getRootNode() as Document | ShadowRoot).getElementById(id)?.textContent ?? '')
        .join(' ')
    : ''
  return squeezed(element.getAttribute('aria-label') || labelled || element.getAttribute('title') || '')
}

/** What tells a row: its header, else its first cell with words that is not the one the element is in. */
function rowName(row: Element, element: Element): string {
  const own = labelOf(row)
  if (own !== '') return own
  const cells = [...row.querySelectorAll('th, td, [role="rowheader"], [role="cell"], [role="gridcell"]')]
  const head =
    cells.find((cell) => cell.matches('th, [role="rowheader"]')) ??
    cells.find((cell) => !cell.contains(element) && squeezed(cell.textContent ?? '') !== '')
  return squeezed((head?.textContent ?? '').slice(0, 200)).slice(0, 60)
}

const AROUND: readonly [kind: Surrounding['kind'], selector: string, name: (around: Element, element: Element) => string][] = [
  ['row', 'tr, [role="row"]', rowName],
  ['dialog', 'dialog, [role="dialog"], [role="alertdialog"]', (dialog) => labelOf(dialog) || headingIn(dialog)],
  [
    'group',
    'fieldset, [role="group"], [role="radiogroup"]',
    (group) => labelOf(group) || squeezed(group.querySelector('legend')?.textContent ?? ''),
  ],
  ['menu', '[role="menu"], [role="menubar"], nav, [role="navigation"]', labelOf],
  ['list', '[role="listbox"], [role="tree"], [role="grid"]', labelOf],
]

/** Describes an element as it stands now. */
export function describe(element: Element, eyes: Eyes): ElementSeen {
  const hid = new Set<PrivateKind>()
  const clean = (text: string, max: number) => scrubbed(text, eyes, hid).slice(0, max)
  const role = roleOf(element)
  const standIn = standInOf(element)
  const own = nameOfElement(element)
  const name = standIn === element || /[\p{L}\p{N}]/u.test(own) ? own : nameOfStandIn(standIn) || own
  const text = element.tagName === 'CANVAS' ? '' : textOf(standIn)
  const rect = standIn.getBoundingClientRect()
  const places = AROUND.flatMap(([kind, selector, nameOf]) => {
    const place = upTo(above(element), (each) => each.matches(selector))
    return place ? [{ kind, place, name: nameOf(place, element) }] : []
  })
  const around = places.map(({ kind, name: of }): Surrounding => ({ kind, name: clean(of, 200) }))
  const context = places.find((each) => (each.kind === 'row' || each.kind === 'group') && each.name !== '')
  const locators = locatorsOf(element, role, name, context, eyes.names()).filter(
    (locator) => scrubbed(locator.value, eyes) === locator.value,
  )
  const inShadow = element.getRootNode() instanceof ShadowRoot
  const opens = element.getAttribute('aria-haspopup')
  const described: ElementSeen = {
    tag: element.tagName.toLowerCase().slice(0, 80),
    role,
    name: clean(name, 300),
    text: clean(text, 300),
    rect: eyes.toWindow({ x: rect.x, y: rect.y, width: rect.width, height: rect.height }),
    frame: eyes.path().map((each) => clean(each, 300)),
    inShadow,
    around,
    locators,
    ...(element instanceof HTMLInputElement ? { inputType: element.type } : {}),
    ...(opens && opens !== 'false' ? { opens: opens.slice(0, 20) } : {}),
    ...(sends(element) ? { submits: true } : {}),
  }
  if (!/[\p{L}\p{N}]/u.test(described.name + described.text)) described.nearby = nearbyText(described.rect, eyes.boxes())
  const labels = labelRects(element, standIn).map((each) => eyes.toWindow(each))
  if (labels.length > 0) described.labels = labels
  const options = optionsOf(element).filter((words) => scrubbed(words, eyes) === words)
  if (options.length > 0) described.options = options
  const glyph = glyphOf(standIn)
  if (glyph) described.glyph = glyph
  const scrolledTo = eyes.scrolledTo(standIn)
  if (scrolledTo) described.scrolledTo = scrolledTo
  if (hid.size > 0) described.hid = [...hid]
  return described
}

const MOST_LABELS = 4
/** Where the labels of a field stand, as far as they reach out of what stands for it. */
function labelRects(element: Element, standIn: Element): ElementSeen['rect'][] {
  const labels = [...((element as HTMLInputElement).labels ?? [])].filter((label) => label !== standIn)
  const own = standIn.getBoundingClientRect()
  return labels
    .map((label) => label.getBoundingClientRect())
    .filter(({ width, height, left, top, right, bottom }) => {
      const within = left >= own.left && top >= own.top && right <= own.right && bottom <= own.bottom
      return width > 0 && height > 0 && !within
    })
    .slice(0, MOST_LABELS)
    .map(({ x, y, width, height }) => ({ x, y, width, height }))
}

const MOST_OPTIONS = 50
/** The entries of the list that an element is, or in which it stands. */
function optionsOf(element: Element): string[] {
  const entries =
    element instanceof HTMLSelectElement
      ? [...element.options].filter((option) => option.value !== '').map((option) => option.label)
      : element.getAttribute('role') === 'option'
        ? [...(element.closest('[role="listbox"]')?.querySelectorAll('[role="option"]') ?? [])].map((option) => option.textContent ?? '')
        : []
  return entries
    .slice(0, MOST_OPTIONS)
    .map((words) => squeezed(words))
    .filter((words) => words !== '' && words.length <= 300)
}

const sends = (element: Element): boolean =>
  (element instanceof HTMLButtonElement || element instanceof HTMLInputElement) &&
  element.form !== null &&
  ['submit', 'image'].includes(element.type)

const NEAR_PX = 160

/** The text that stands next to an area: before it on the same line, else above it. */
function nearbyText(rect: ElementSeen['rect'], boxes: readonly TextBox[]): string | undefined {
  const middle = rect.y + rect.height / 2
  let best: { text: string; far: number } | undefined
  for (const box of boxes) {
    const sameLine = middle >= box.rect.y && middle <= box.rect.y + box.rect.height
    const gap = sameLine
      ? Math.max(rect.x - (box.rect.x + box.rect.width), box.rect.x - (rect.x + rect.width))
      : rect.x < box.rect.x + box.rect.width && box.rect.x < rect.x + rect.width
        ? rect.y - (box.rect.y + box.rect.height) + 40
        : Infinity
    if (!/\p{L}/u.test(box.text)) continue
    if (gap >= -2 && gap < NEAR_PX && (!best || gap < best.far)) best = { text: box.text.slice(0, 120), far: gap }
  }
  return best?.text
}

/** The page as people call it. Values in its address are dropped before anything else. */
export function pageSeen(eyes: Pick<Eyes, 'kinds' | 'isName'>): PageSeen {
  const meta = (selector: string) => document.querySelector<HTMLMetaElement>(selector)?.content ?? ''
  const clean = (text: string, max: number) => scrubbed(squeezed(text), eyes).slice(0, max)
  return {
    address: scrubbed(withoutValues(location.href), {
      kinds: new Set([...eyes.kinds].filter((kind) => kind !== 'number')),
      isName: eyes.isName,
    }),
    title: clean(document.title, 300),
    heading: clean(headingIn(document), 300),
    application: clean(meta('meta[name="application-name"]') || meta('meta[property="og:site_name"]'), 120),
    language: document.documentElement.lang.slice(0, 35),
  }
}
