import type { Rect } from '@jackdaw/core/guides'
import { findPrivate, MAX_TEXT_BOXES, withoutPrivate, type PrivateKind, type TextBox } from '@jackdaw/core/recording'
import { idly } from './idly'
import { isInteractive } from './locators'
import { isSecret } from './secrets'
import { shadowOf } from './shadows'

/** What is asked of a scan. `isName` says whether words may be the name of a person in the directory. */
export type ScanWish = {
  kinds: ReadonlySet<PrivateKind>
  pointed: readonly string[]
  isName: (words: string) => boolean
  skip: (node: Node) => boolean
}
/** What a scan found, in pixels of this frame's window. `seen` are elements whose text
 * was on screen, `unseen` those that could be acted on but were not to be seen. */
export type Scan = { areas: Rect[]; textBoxes: TextBox[]; seen: WeakSet<Element>; unseen: WeakSet<Element>; shadows: ShadowRoot[] }

const INLINE = new Set([
  'A',
  'ABBR',
  'B',
  'BDI',
  'BDO',
  'CITE',
  'CODE',
  'DATA',
  'EM',
  'FONT',
  'I',
  'KBD',
  'LABEL',
  'MARK',
  'Q',
  'S',
  'SAMP',
  'SMALL',
  'SPAN',
  'STRONG',
  'SUB',
  'SUP',
  'TIME',
  'U',
  'VAR',
  'WBR',
])
const UNSEEN = new Set(['SCRIPT', 'STYLE', 'NOSCRIPT', 'TEMPLATE', 'HEAD', 'TITLE', 'META', 'LINK'])
/** Fields in whose value there are no words that are shown, and those whose value is what they are called. */
const SHOWS_NO_WORDS = new Set(['checkbox', 'radio', 'range', 'color', 'image', 'hidden'])
const CAPTIONED = new Set(['button', 'submit', 'reset'])
const PORTRAIT =
  /\b(?:avatar|portrait|profile[-_ ]?(?:pic|photo|image)|user[-_ ]?(?:pic|photo|image)|headshot|mugshot|passfoto|retrato|zdjęcie profilowe)/i

/** Text that is read in one go. `starts`: where each node begins in the text; between two of them there may be a break of the line. */
type Run = { nodes: Text[]; starts: number[]; text: string; block: Element | null }

const nothingYet = (): Run => ({ nodes: [], starts: [], text: '', block: null })

/** Goes through everything visible in steps, so that whoever drives it can stop for the page's own work. */
export function* scanning(wish: ScanWish): Generator<void, Scan> {
  const found: Scan = { areas: [], textBoxes: [], seen: new WeakSet(), unseen: new WeakSet(), shadows: [] }
  const roots: Node[] = [document.documentElement]
  let run: Run = nothingYet()
  const close = () => {
    if (run.text.trim() !== '') takeRun(run, wish, found)
    run = nothingYet()
  }
  for (let root = roots.pop(); root; root = roots.pop()) {
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_ELEMENT | NodeFilter.SHOW_TEXT, (node) =>
      UNSEEN.has(node.nodeName) || wish.skip(node) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_ACCEPT,
    )
    let n = 0
    for (let node: Node | null = walker.currentNode; node; node = walker.nextNode()) {
      if (++n % 64 === 0) yield
      if (node instanceof Text) {
        const block = blockOf(node)
        if (run.block !== block) close()
        run.block = block
        run.nodes.push(node)
        run.starts.push(run.text.length)
        run.text += node.data
      } else if (node instanceof HTMLBRElement) run.text += '\n'
      else if (node instanceof Element) {
        const shadow = shadowOf(node)
        if (shadow) {
          roots.push(shadow)
          found.shadows.push(shadow)
        }
        takeElement(node, wish, found)
      }
    }
    close()
  }
  for (const root of [document, ...found.shadows])
    for (const selector of wish.pointed) for (const element of pointedAt(root, selector)) addArea(found, element.getBoundingClientRect())
  return found
}

/** All at once, for when there is no time to wait. */
export function scanNow(wish: ScanWish): Scan {
  const work = scanning(wish)
  for (;;) {
    const step = work.next()
    if (step.done) return step.value
  }
}

/** In the page's idle time; `null` when it became stale. */
export const scanIdly = (wish: ScanWish, stale: () => boolean): Promise<Scan | null> => idly(scanning(wish), stale)

function blockOf(node: Text): Element | null {
  let element = node.parentElement
  while (element && INLINE.has(element.tagName)) element = element.parentElement
  return element
}

function* pointedAt(root: ParentNode, selector: string): Generator<Element> {
  try {
    yield* root.querySelectorAll(selector)
  } catch (error) {
    if (!(error instanceof DOMException)) throw error // a selector kept for another state of the site; it hides nothing here
  }
}

const onScreen = (rect: { left: number; top: number; right: number; bottom: number }): boolean =>
  rect.right > 0 && rect.bottom > 0 && rect.left < innerWidth && rect.top < innerHeight
const visible = (element: Element | null): boolean =>
  element !== null && element.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true })
const plain = (rect: DOMRect): Rect => ({ x: rect.x, y: rect.y, width: rect.width, height: rect.height })

function addArea(found: Scan, rect: DOMRect): void {
  if (rect.width > 0 && rect.height > 0 && onScreen(rect)) found.areas.push(plain(rect))
}

function takeElement(element: Element, { kinds, isName }: ScanWish, found: Scan): void {
  if (isInteractive(element) && !visible(element)) found.unseen.add(element)
  if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement || element instanceof HTMLSelectElement) {
    const rect = element.getBoundingClientRect()
    if (!onScreen(rect) || !visible(element)) return
    found.seen.add(element)
    const value = element instanceof HTMLSelectElement ? [...element.selectedOptions].map((each) => each.label).join(' ') : element.value
    const entered = value !== '' && !CAPTIONED.has(element.type)
    const shown = value !== '' ? value : 'placeholder' in element ? element.placeholder : ''
    if (isSecret(element)) addArea(found, rect)
    else if (SHOWS_NO_WORDS.has(element.type)) return
    else if ((entered && kinds.has('value')) || findPrivate(shown, kinds, isName).length > 0) addArea(found, rect)
  } else if (kinds.has('portrait') && isPortrait(element, isName)) addArea(found, element.getBoundingClientRect())
}

function isPortrait(element: Element, isName: (words: string) => boolean): boolean {
  const isPicture =
    element.tagName === 'IMG' ||
    element.getAttribute('role') === 'img' ||
    [...element.classList].some((each) =>
      /(?:^|[-_])avatar(?:[-_]{1,2}(?:img|image|[a-z]{1,2}|small|medium|large|round|circle|\d+))?$/i.test(each),
    )
  if (!isPicture) return false
  const alt = element.getAttribute('alt') ?? element.getAttribute('aria-label') ?? ''
  const marks = [element.id, element.getAttribute('class'), alt, element.getAttribute('title'), element.getAttribute('data-testid')].join(
    ' ',
  )
  if (PORTRAIT.test(marks)) return true
  if (/\b(?:photo|picture|foto|bild|zdjęcie|imagen) (?:of|von|de|przedstawiające)\b/i.test(alt)) return true
  if (element.closest('[itemtype$="/Person"]')) return true
  return findPrivate(alt, new Set(['person']), isName).length > 0
}

/** One line or paragraph: its boxes, and the areas of what is private in it. */
function takeRun(run: Run, { kinds, isName }: ScanWish, found: Scan): void {
  const first = run.nodes[0]!.parentElement
  const range = document.createRange()
  range.setStartBefore(run.nodes[0]!)
  range.setEndAfter(run.nodes.at(-1)!)
  const whole = range.getBoundingClientRect()
  if (whole.width === 0 || whole.height === 0 || !onScreen(whole) || !visible(first)) return
  for (const node of run.nodes) if (node.parentElement) found.seen.add(node.parentElement)
  if (run.block) found.seen.add(run.block)
  const passages = kinds.size > 0 ? findPrivate(run.text, kinds, isName) : []
  for (const { start, end } of passages) {
    const [from, to] = [placeIn(run, start), placeIn(run, end)]
    range.setStart(from.node, from.offset)
    range.setEnd(to.node, to.offset)
    for (const rect of range.getClientRects()) addArea(found, rect)
  }
  if (found.textBoxes.length < MAX_TEXT_BOXES) {
    const text = withoutPrivate(run.text, passages).replace(/\s+/g, ' ').slice(0, 300)
    if (text !== '') found.textBoxes.push({ rect: plain(whole), text })
  }
}

function placeIn({ nodes, starts }: Run, at: number): { node: Text; offset: number } {
  const n = Math.max(
    0,
    starts.findLastIndex((start) => start < at || start === 0),
  )
  const node = nodes[n]!
  return { node, offset: Math.min(at - starts[n]!, node.length) }
}
