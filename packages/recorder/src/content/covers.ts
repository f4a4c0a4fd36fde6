import type { Rect } from '@jackdaw/core/guides'
import { above } from './shadows'

/** Whether nothing shows through an element: a colour that is not clear, and no transparency around it. */
function isOpaque(element: Element): boolean {
  const alpha = /^rgba\(.*,\s*([\d.]+)\)$/.exec(getComputedStyle(element).backgroundColor)?.[1]
  if (alpha !== undefined && Number(alpha) < 1) return false
  if (getComputedStyle(element).backgroundColor === 'transparent') return false
  for (let each: Element | null = element; each; each = above(each)) {
    const { opacity, mixBlendMode } = getComputedStyle(each)
    if (Number(opacity) < 1 || mixBlendMode !== 'normal') return false
  }
  return true
}

const boxOf = (element: Element): Rect => {
  const { x, y, width, height } = element.getBoundingClientRect()
  return { x, y, width, height }
}
const NOTHING = { width: 0, height: 0 }

/** What is left of an area under a box: less only where the box reaches over it from one side to the other. */
function under(area: Rect, box: Rect): Rect {
  const [left, top, right, bottom] = [box.x - 1, box.y - 1, box.x + box.width + 1, box.y + box.height + 1]
  const [areaRight, areaBottom] = [area.x + area.width, area.y + area.height]
  const [wide, high] = [left <= area.x && right >= areaRight, top <= area.y && bottom >= areaBottom]
  if (wide && high) return { ...area, ...NOTHING }
  if (wide && top <= area.y && bottom > area.y) return { ...area, y: bottom - 1, height: areaBottom - bottom + 1 }
  if (wide && bottom >= areaBottom && top < areaBottom) return { ...area, height: top + 1 - area.y }
  if (high && left <= area.x && right > area.x) return { ...area, x: right - 1, width: areaRight - right + 1 }
  if (high && right >= areaRight && left < areaRight) return { ...area, width: left + 1 - area.x }
  return area
}

/** What of an area is not under something that nothing shows through: a head that stays while its table scrolls, a dialog.
 * @param element whose area it is */
export function uncovered(area: Rect, element: Element): Rect {
  const root = element.getRootNode() as Document | ShadowRoot
  const [right, bottom] = [area.x + area.width - 1, area.y + area.height - 1]
  const covers = new Set<Element>()
  for (const [x, y] of [
    [area.x + area.width / 2, area.y + area.height / 2],
    [area.x + 1, area.y + 1],
    [right, area.y + 1],
    [area.x + 1, bottom],
    [right, bottom],
  ] as const) {
    const stack = root.elementsFromPoint(x, y)
    const at = stack.findIndex((each) => each === element || element.contains(each) || each.contains(element))
    // Rows and groups of a table are in no stack, but have the colour behind their cells.
    for (const top of stack.slice(0, Math.max(0, at)))
      for (let each: Element | null = top; each && !each.contains(element); each = above(each)) covers.add(each)
  }
  return [...covers].filter(isOpaque).reduce((left, cover) => under(left, boxOf(cover)), area)
}
