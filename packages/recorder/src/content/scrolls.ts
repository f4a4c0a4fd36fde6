import type { Rect } from '@jackdaw/core/guides'
import type { ElementSeen } from '@jackdaw/core/recording'
import { intersection, isEmpty } from './clips'
import type { FrameOffset } from './frames'
import { above } from './shadows'

type Spot = { left: number; top: number }
type Scrolled = NonNullable<ElementSeen['scrolledTo']>

const CORNER: Rect = { x: 0, y: 0, width: 0, height: 0 }
const SCROLL_KEYS = new Set(['PageUp', 'PageDown', 'Home', 'End', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', ' '])
const BY_HAND_WITHIN_MS = 600
/** So long after something was done the page may scroll by itself. */
const BY_ITSELF_WITHIN_MS = 700

const spotOf = (box: Element): Spot => ({ left: box.scrollLeft, top: box.scrollTop })
const scroller = (target: EventTarget | null): Element | null =>
  target instanceof Document ? target.scrollingElement : target instanceof Element ? target : null

/** Remembers what was in sight when something was last done, to tell whether an element had to be scrolled to. What the page scrolls by
 * itself after a press does not count. */
export class Scrolls {
  /** Where each box was scrolled to when something was last done. */
  private before = new Map<Element, Spot>()
  private readonly last = new WeakMap<Element, Spot>()
  private readonly roots = new WeakSet<ShadowRoot>()
  private handAt = 0
  private actedAt = 0
  private since = Date.now()
  private placeBefore: Rect | null
  private contentBefore: Rect

  constructor(
    private readonly frame: FrameOffset,
    private readonly signal: AbortSignal,
  ) {
    this.placeBefore = frame.place()
    this.contentBefore = frame.toWindow(CORNER)
    const listen = (name: string, run: (event: Event) => void) => addEventListener(name, run, { capture: true, passive: true, signal })
    const hand = () => (this.handAt = performance.now())
    listen('wheel', hand)
    listen('touchmove', hand)
    listen('pointerdown', (event) => {
      if (isOnScrollBar(event as PointerEvent)) hand()
    })
    listen('keydown', (event) => {
      if (SCROLL_KEYS.has((event as KeyboardEvent).key)) hand()
    })
    if (document.readyState === 'complete') setTimeout(() => this.noteAll(), 0)
    listen('scroll', (event) => this.scrolled(scroller(event.target)))
  }

  /** Hears what is scrolled in a shadow root, too. */
  watchRoot(root: ShadowRoot): void {
    if (this.roots.has(root)) return
    this.roots.add(root)
    root.addEventListener('scroll', (event) => this.scrolled(scroller(event.target)), { capture: true, passive: true, signal: this.signal })
  }
  /** The place of this frame is known, or is another one. */
  placed(): void {
    if (!this.placeBefore) this.forget()
  }
  /** Something was done here: from now on only what is scrolled later counts. */
  acted(): void {
    this.actedAt = performance.now()
    this.forget()
  }
  /** Something was done somewhere in the recording. */
  actedElsewhere(at: number): void {
    if (at > this.since) this.forget()
  }

  /** Which way an element was scrolled to; `undefined` when it was in sight all along. */
  wayTo(element: Element): Scrolled | undefined {
    const rect = element.getBoundingClientRect()
    const middle = { x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 }
    for (let each = above(element); each; each = above(each)) {
      const was = this.before.get(each)
      if (!was) continue
      middle.x += each.scrollLeft - was.left
      middle.y += each.scrollTop - was.top
      const way = wayOutOf(middle, each)
      if (way) return way
    }
    return this.wayOfFrame(rect)
  }

  /** The page around this frame was scrolled until the element was in sight. */
  private wayOfFrame(rect: DOMRect): Scrolled | undefined {
    if (window === top || !this.placeBefore) return undefined
    const now = this.frame.toWindow(CORNER)
    const [dx, dy] = [this.contentBefore.x - now.x, this.contentBefore.y - now.y]
    if (Math.abs(dx) < 1 && Math.abs(dy) < 1) return undefined
    const here = this.frame.toWindow({ x: rect.x + rect.width / 2, y: rect.y + rect.height / 2, width: 1, height: 1 })
    if (!isEmpty(intersection({ ...here, x: here.x + dx, y: here.y + dy }, this.placeBefore))) return undefined
    return Math.abs(dy) >= Math.abs(dx) ? (dy > 0 ? 'down' : 'up') : dx > 0 ? 'right' : 'left'
  }

  private forget(): void {
    this.before = new Map()
    this.since = Date.now()
    this.placeBefore = this.frame.place()
    this.contentBefore = this.frame.toWindow(CORNER)
  }
  /** What boxes were scrolled to before this script came into the page: once they are scrolled again it is too late to ask. */
  private noteAll(): void {
    for (const each of document.querySelectorAll('*'))
      if ((each.scrollTop !== 0 || each.scrollLeft !== 0) && !this.last.has(each)) this.last.set(each, spotOf(each))
  }
  private scrolled(box: Element | null): void {
    if (!box) return
    const now = performance.now()
    const byHand = now - this.handAt < BY_HAND_WITHIN_MS
    if (byHand) this.handAt = now
    if (byHand || now - this.actedAt > BY_ITSELF_WITHIN_MS) {
      if (!this.before.has(box)) this.before.set(box, this.last.get(box) ?? { left: 0, top: 0 })
    } else this.before.delete(box)
    this.last.set(box, spotOf(box))
  }
}

function isOnScrollBar(event: PointerEvent): boolean {
  const [target] = event.composedPath()
  if (!(target instanceof Element)) return false
  const { left, top } = target.getBoundingClientRect()
  const page = target === document.documentElement
  if (target.scrollHeight <= target.clientHeight && target.scrollWidth <= target.clientWidth) return false
  return (
    event.clientX - (page ? 0 : left) - target.clientLeft >= target.clientWidth ||
    event.clientY - (page ? 0 : top) - target.clientTop >= target.clientHeight
  )
}

/** Which way a point lies outside of a box. */
function wayOutOf({ x, y }: { x: number; y: number }, box: Element): Scrolled | undefined {
  const page = box === document.scrollingElement
  const { left, top } = page ? { left: 0, top: 0 } : box.getBoundingClientRect()
  const [width, height] = page ? [innerWidth, innerHeight] : [box.clientWidth, box.clientHeight]
  if (y >= top + height) return 'down'
  if (y <= top) return 'up'
  if (x >= left + width) return 'right'
  return x <= left ? 'left' : undefined
}
