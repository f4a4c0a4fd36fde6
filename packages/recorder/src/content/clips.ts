import type { Rect } from '@jackdaw/core/guides'
import { above } from './shadows'

/** How an element finds the box that it is laid out in: as its place in the page says, or past those that are not positioned. */
type Flow = 'flow' | 'absolute' | 'fixed'

export const intersection = (a: Rect, b: Rect): Rect => {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)]
  return {
    x,
    y,
    width: Math.max(0, Math.min(a.x + a.width, b.x + b.width) - x),
    height: Math.max(0, Math.min(a.y + a.height, b.y + b.height) - y),
  }
}
export const isEmpty = ({ width, height }: Rect): boolean => width <= 0 || height <= 0
/** The window of this frame, in its own pixels. */
export const ownWindow = (): Rect => ({ x: 0, y: 0, width: innerWidth, height: innerHeight })

/** Whether even what is fixed is laid out in this element. */
const holdsFixed = (style: CSSStyleDeclaration): boolean =>
  style.transform !== 'none' ||
  style.translate !== 'none' ||
  style.rotate !== 'none' ||
  style.scale !== 'none' ||
  style.filter !== 'none' ||
  style.backdropFilter !== 'none' ||
  style.perspective !== 'none' ||
  /\b(?:paint|layout|strict|content)\b/.test(style.contain) ||
  /\b(?:transform|filter|perspective)\b/.test(style.willChange) ||
  style.containerType !== 'normal'

const cutsOff = (style: CSSStyleDeclaration): boolean =>
  style.overflowX !== 'visible' || style.overflowY !== 'visible' || /\b(?:paint|strict|content)\b/.test(style.contain)

const inTopLayer = (element: Element): boolean => element.matches(':modal, :popover-open, :fullscreen')

/** How much larger an element is drawn than it is laid out. */
export function drawnScale(element: HTMLElement, rect: DOMRect): { x: number; y: number } {
  const { offsetWidth, offsetHeight } = element
  return { x: offsetWidth > 0 ? rect.width / offsetWidth : 1, y: offsetHeight > 0 ? rect.height / offsetHeight : 1 }
}

/** The part of an element in which its content is seen, without its border. */
function insideOf(element: Element): Rect {
  const rect = element.getBoundingClientRect()
  if (!(element instanceof HTMLElement)) return { x: rect.x, y: rect.y, width: rect.width, height: rect.height }
  const scale = drawnScale(element, rect)
  return {
    x: rect.x + element.clientLeft * scale.x,
    y: rect.y + element.clientTop * scale.y,
    width: element.clientWidth * scale.x,
    height: element.clientHeight * scale.y,
  }
}

/** What of things in a page can be seen: the boxes around them cut off what reaches out of them or was scrolled out. Holds as long as
 * nothing in the page moves. Where it is in doubt nothing is cut off. */
export class Clips {
  private readonly known: Record<Flow, Map<Element, Rect>> = { flow: new Map(), absolute: new Map(), fixed: new Map() }

  /** Where the content of an element can be seen, in pixels of this frame. */
  inside(element: Element | null, flow: Flow = 'flow'): Rect {
    if (!element) return ownWindow()
    const known = this.known[flow].get(element)
    if (known) return known
    const clip = this.find(element, flow)
    this.known[flow].set(element, clip)
    return clip
  }
  /** Where an element itself can be seen. */
  around(element: Element): Rect {
    return this.inside(above(element), flowOf(element, getComputedStyle(element)))
  }
  /** What can be seen of an area of an element's content. */
  seen(area: Rect, element: Element | null): Rect {
    return intersection(area, this.inside(element))
  }

  private find(element: Element, flow: Flow): Rect {
    const style = getComputedStyle(element)
    const parent = above(element)
    if (style.display === 'contents' || element === document.documentElement || element === document.body) return this.inside(parent, flow)
    const holds = flow === 'flow' || holdsFixed(style) || (flow === 'absolute' && style.position !== 'static')
    if (!holds) return this.inside(parent, flow)
    if (inTopLayer(element)) return cutsOff(style) ? intersection(insideOf(element), ownWindow()) : ownWindow()
    const outer = this.inside(parent, flowOf(element, style))
    return cutsOff(style) && style.display !== 'inline' ? intersection(insideOf(element), outer) : outer
  }
}

function flowOf(element: Element, { position }: CSSStyleDeclaration): Flow {
  if (position === 'fixed' || inTopLayer(element)) return 'fixed'
  return position === 'absolute' ? 'absolute' : 'flow'
}

/** Whether an element is turned or skewed, so that no upright box says where things in it are. */
export function isTurned(element: Element): boolean {
  for (let each: Element | null = element; each; each = above(each)) {
    const { transform, rotate } = getComputedStyle(each)
    if (rotate !== 'none') return true
    if (transform === 'none') continue
    const { a, b, c, d, is2D } = new DOMMatrixReadOnly(transform)
    if (!is2D || Math.abs(b) > 1e-3 || Math.abs(c) > 1e-3 || a < 0 || d < 0) return true
  }
  return false
}
