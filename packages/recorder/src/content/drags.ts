import type { ElementSeen } from '@jackdaw/core/recording'
import { meant } from './hit'
import type { Hub } from './hub'
import { above, upTo } from './shadows'

/** Things that are dragged as one: what is taken by a handle, or anywhere in it. */
const TAKEN = '[draggable="true"], [aria-grabbed], [role="listitem"], [role="row"], [role="option"], [role="treeitem"], li, tr'
const GRIP = /\b(?:drag|grip|handle|move|reorder|sort|verschieben|ziehen|przenieś|przesuń|arrastrar|mover)\b/i
const LISTS = 'ul, ol, table, tbody, section, fieldset, [role="list"], [role="listbox"], [role="group"], [role="region"], [role="rowgroup"]'

const squeezed = (text: string): string => text.replace(/\s+/g, ' ').trim()

/** Words of a thing without those of the buttons and handles in it. */
function wordsOf(thing: Element): string {
  const label = thing.getAttribute('aria-label')
  if (label) return squeezed(label)
  const walker = document.createTreeWalker(thing, NodeFilter.SHOW_ELEMENT | NodeFilter.SHOW_TEXT, (node) =>
    node instanceof Element && node.matches('button, [role="button"], input, select, [aria-hidden="true"]')
      ? NodeFilter.FILTER_REJECT
      : NodeFilter.FILTER_ACCEPT,
  )
  let words = ''
  while (walker.nextNode()) if (walker.currentNode instanceof Text) words += ` ${walker.currentNode.data}`
  return squeezed(words).slice(0, 200)
}

/** What people call a list or a column: its label, or the heading in it or over it. */
function nameOfList(list: Element): string {
  const by = list.getAttribute('aria-labelledby')
  const labelled = by ? (document.getElementById(by)?.textContent ?? '') : ''
  const heading = list.querySelector('h1, h2, h3, h4, h5, h6, [role="heading"], legend, caption')
  const over = list.previousElementSibling?.matches('h1, h2, h3, h4, h5, h6, [role="heading"]') ? list.previousElementSibling : null
  return squeezed(list.getAttribute('aria-label') || labelled || heading?.textContent || over?.textContent || '').slice(0, 200)
}

/** Something taken by the pointer, and where it was then. */
export type Taken = {
  thing: Element
  seen: ElementSeen
  words: string
  list: Element | null
  before: Element | null
  after: Element | null
}

const isGrip = (element: Element, name: string): boolean => {
  const { width, height } = element.getBoundingClientRect()
  const { cursor } = getComputedStyle(element)
  return GRIP.test(name) || GRIP.test(element.className.toString()) || (/grab|move/.test(cursor) && width <= 48 && height <= 48)
}

/** What is taken when the pointer goes down somewhere.
 * @param pressed the element that would be meant by a press */
export function takenAt(hub: Hub, pressed: Element, seen: ElementSeen): Taken {
  const item = upTo(pressed, (each) => each.matches(TAKEN), 8)
  const thing = item && (item.matches('[draggable="true"]') || isGrip(pressed, seen.name || seen.text) || seen.role === '') ? item : pressed
  const words = wordsOf(thing)
  const named = thing === pressed && seen.name !== '' ? seen : { ...hub.seen(thing), name: words || seen.name, text: '' }
  const { parentElement: list, previousElementSibling: before, nextElementSibling: after } = thing
  return { thing, seen: named, words, list, before, after }
}

/** The same thing now, also when the page has made it anew. */
function nowOf({ thing, words }: Taken): Element | null {
  if (thing.isConnected) return thing
  if (words === '') return null
  return [...document.getElementsByTagName(thing.localName)].find((each) => wordsOf(each) === words && each.checkVisibility()) ?? null
}

/** Whether an element is, or was, in the same list as another, by what people call it. */
const sameList = (a: Element | null, b: Element | null): boolean =>
  a === b ||
  (a !== null && b !== null && a.localName === b.localName && nameOfList(named(a)) === nameOfList(named(b)) && nameOfList(named(a)) !== '')
const named = (list: Element): Element => upTo(list, (each) => each.matches(LISTS) && nameOfList(each) !== '', 4) ?? list

type Put = { onto: ElementSeen; put?: 'above' | 'below' | 'left' | 'right' }

/** Where something that was taken lies now: in another list, or beside another thing of the same one. What went nowhere was dropped on what
 * lies under the pointer.
 * @param under what lies there, without the thing itself */
export function putNow(hub: Hub, taken: Taken, under: Element | null): Put | null {
  const now = nowOf(taken)
  const seenAs = (element: Element, name: string): ElementSeen => ({ ...hub.seen(element), name: name.slice(0, 300), text: '' })
  if (now?.parentElement) {
    const list = now.parentElement
    if (!sameList(taken.list, list)) {
      const column = named(list)
      const name = nameOfList(column)
      if (name !== '') return { onto: seenAs(column, name) }
    }
    const [before, after] = [now.previousElementSibling, now.nextElementSibling]
    const moved = wordsAt(before) !== wordsAt(taken.before) || wordsAt(after) !== wordsAt(taken.after)
    const beside = moved ? ([before, after].find((each) => wordsAt(each) !== '') ?? null) : null
    if (beside) return { onto: seenAs(beside, wordsOf(beside)), put: sideOf(now, beside) }
  }
  if (!under) return null
  const target = meant(under)
  const seen = hub.seen(target)
  const zone = upTo(target, (each) => each.matches(LISTS) && nameOfList(each) !== '', 6)
  const nameless = seen.name === '' && (seen.role === '' || seen.role === 'generic')
  return { onto: nameless && zone ? seenAs(zone, nameOfList(zone)) : seen }
}

const wordsAt = (element: Element | null): string =>
  element?.matches('h1, h2, h3, h4, h5, h6, legend, caption') ? '' : element ? wordsOf(element) : ''

/** On which side of another thing one lies. */
function sideOf(now: Element, beside: Element): Put['put'] {
  const [mine, other] = [now.getBoundingClientRect(), beside.getBoundingClientRect()]
  const overlap = Math.min(mine.bottom, other.bottom) - Math.max(mine.top, other.top)
  if (overlap > 0.5 * Math.min(mine.height, other.height)) return mine.left < other.left ? 'left' : 'right'
  return mine.top < other.top ? 'above' : 'below'
}

/** What lies under the pointer, without the thing that is dragged and what goes along with the pointer. */
export function underPointer(x: number, y: number, { thing, words }: Taken): Element | null {
  const stack = document.elementsFromPoint(x, y).filter((each) => !thing.contains(each) && !each.contains(thing))
  const along = (each: Element) => getComputedStyle(each).position === 'fixed' && words !== '' && wordsOf(each) === words
  return stack.find((each) => upTo(each, along, 4) === null && above(each) !== null) ?? null
}
