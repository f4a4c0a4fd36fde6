import type { Rect } from '@jackdaw/core/guides'
import { findingPrivate, findPrivate, MAX_TEXT_BOXES, withoutPrivate, type PrivateKind, type TextBox } from '@jackdaw/core/recording'
import { Clips, intersection, isEmpty } from './clips'
import { uncovered } from './covers'
import { idly } from './idly'
import { isInteractive } from './locators'
import { PseudoText } from './pseudoText'
import { isSecret } from './secrets'
import { shadowOf } from './shadows'
import { mayBePart, splitNumbers, type Part } from './splitNumbers'

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
  'tspan',
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
function* scanning(wish: ScanWish): Generator<void, Scan> {
  const scanner = new Scanner(wish)
  const { found } = scanner
  const roots: Node[] = [document.documentElement]
  let run: Run = nothingYet()
  for (let root = roots.pop(); root; root = roots.pop()) {
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_ELEMENT | NodeFilter.SHOW_TEXT, (node) =>
      UNSEEN.has(node.nodeName) || wish.skip(node) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_ACCEPT,
    )
    let n = 0
    for (let node: Node | null = walker.currentNode; node; node = walker.nextNode()) {
      if (++n % 64 === 0) yield
      if (node instanceof Text) {
        const block = blockOf(node)
        if (run.block !== block) {
          yield* scanner.takeRun(run)
          run = nothingYet()
        }
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
        scanner.takeElement(node)
      }
    }
    yield* scanner.takeRun(run)
    run = nothingYet()
  }
  scanner.takeRest()
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

const visible = (element: Element | null): boolean =>
  element !== null && element.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true })
const isInWindow = ({ left, top, right, bottom }: DOMRect): boolean => right > 0 && bottom > 0 && left < innerWidth && top < innerHeight
const plain = (rect: DOMRect): Rect => ({ x: rect.x, y: rect.y, width: rect.width, height: rect.height })
const isField = (element: Element): element is HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement =>
  element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement || element instanceof HTMLSelectElement
const shownIn = (field: HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement): string =>
  field instanceof HTMLSelectElement
    ? [...field.selectedOptions].map((each) => each.label).join(' ')
    : field.value !== ''
      ? field.value
      : field.placeholder
const cellOf = (element: Element | null): Element | null => element?.closest('td, th, [role="cell"], [role="gridcell"]') ?? null

/** What is found while a page is gone through. */
class Scanner {
  readonly found: Scan = { areas: [], textBoxes: [], seen: new WeakSet(), unseen: new WeakSet(), shadows: [] }
  private readonly clips = new Clips()
  private readonly pseudo = new PseudoText()
  private readonly parts: Part[] = []
  constructor(private readonly wish: ScanWish) {}

  takeElement(element: Element): void {
    const { kinds, isName } = this.wish
    if (isInteractive(element) && !visible(element)) this.found.unseen.add(element)
    if (isField(element)) this.takeField(element)
    else if (kinds.has('portrait') && isPortrait(element, isName)) this.hide(element)
    if (kinds.size > 0) this.takePseudo(element)
  }

  private takeField(field: HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement): void {
    const { kinds, isName } = this.wish
    if (!isInWindow(field.getBoundingClientRect())) return
    if (isEmpty(intersection(plain(field.getBoundingClientRect()), this.clips.around(field))) || !visible(field)) return
    this.found.seen.add(field)
    if (isSecret(field)) return this.hide(field)
    if (SHOWS_NO_WORDS.has(field.type)) return
    const entered = field.value !== '' && !CAPTIONED.has(field.type)
    const shown = shownIn(field)
    if ((entered && kinds.has('value')) || findPrivate(shown, kinds, isName).length > 0) this.hide(field)
    else if (mayBePart(shown)) this.parts.push({ rect: plain(field.getBoundingClientRect()), text: shown, cell: cellOf(field) })
  }

  /** Where in its element such text stands cannot be asked for: all of the element is hidden. */
  private takePseudo(element: Element): void {
    const words = this.pseudo.of(element)
    if (!words) return
    const { kinds, isName } = this.wish
    const own = element.childElementCount < 10 ? (element.textContent ?? '').slice(0, 300) : ''
    const [from, to] = [words.before.length, words.before.length + own.length]
    const reaches = findPrivate(words.before + own + words.after, kinds, isName).some(({ start, end }) => start < from || end > to)
    if (reaches && visible(element)) this.hide(element)
  }

  /** One line or paragraph: its boxes, and the areas of what is private in it. */
  *takeRun(run: Run): Generator<void> {
    if (run.text.trim() === '') return
    const { found } = this
    const first = run.nodes[0]!.parentElement
    const range = document.createRange()
    range.setStartBefore(run.nodes[0]!)
    range.setEndAfter(run.nodes.at(-1)!)
    const drawn = range.getBoundingClientRect()
    // Most of a long page is out of the window: that costs nothing more to know.
    if (!isInWindow(drawn)) return
    const whole = this.clips.seen(plain(drawn), first)
    if (isEmpty(whole) || !visible(first)) return
    for (const node of run.nodes) if (node.parentElement) found.seen.add(node.parentElement)
    if (run.block) found.seen.add(run.block)
    const { kinds, isName } = this.wish
    const passages = kinds.size > 0 ? yield* findingPrivate(run.text, kinds, isName) : []
    for (const { start, end } of passages) {
      const [from, to] = [placeIn(run, start), placeIn(run, end)]
      range.setStart(from.node, from.offset)
      range.setEnd(to.node, to.offset)
      for (const rect of range.getClientRects()) this.add(plain(rect), from.node.parentElement)
    }
    const text = withoutPrivate(run.text, passages).replace(/\s+/g, ' ').slice(0, 300)
    if (text === '') return
    if (found.textBoxes.length < MAX_TEXT_BOXES) found.textBoxes.push({ rect: whole, text })
    if (mayBePart(text)) this.parts.push({ rect: whole, text, cell: cellOf(first) })
  }

  /** What can be told only when everything has been seen. */
  takeRest(): void {
    const { found, wish } = this
    for (const rect of splitNumbers(this.parts, wish.kinds)) if (!isEmpty(rect)) found.areas.push(rect)
    for (const root of [document, ...found.shadows])
      for (const selector of wish.pointed) for (const element of pointedAt(root, selector)) this.hide(element)
  }

  private hide(element: Element): void {
    this.add(plain(element.getBoundingClientRect()), element.parentElement, element)
  }
  /** @param within whose content it is */
  private add(rect: Rect, within: Element | null, element = within): void {
    const seen = intersection(rect, element && element !== within ? this.clips.around(element) : this.clips.inside(within))
    const left = isEmpty(seen) || !element ? seen : uncovered(seen, element)
    if (!isEmpty(left)) this.found.areas.push(left)
  }
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

function placeIn({ nodes, starts }: Run, at: number): { node: Text; offset: number } {
  const n = Math.max(
    0,
    starts.findLastIndex((start) => start < at || start === 0),
  )
  const node = nodes[n]!
  return { node, offset: Math.min(at - starts[n]!, node.length) }
}
