import type { Box, Placed } from './box'

/** A page: what stands on it, from the top left of its column, the places found on it, and from where to where the ruler stands. */
export type Page = {
  placed: Placed[]
  anchors: { name: string; y: number }[]
  marks: { title: string; level: number; y: number }[]
  ruled: { from: number; to: number } | null
}

const emptyPage = (): Page => ({ placed: [], anchors: [], marks: [], ruled: null })
const heightOf = (boxes: readonly Box[]): number => boxes.reduce((sum, box) => sum + box.beforePt + box.heightPt, 0)

/** Boxes that stay together from one on: those that keep the next, and the one after them. */
function chainFrom(boxes: readonly Box[], at: number): number {
  let end = at
  while (boxes[end]?.keep && end + 1 < boxes.length) end++
  return end + 1
}
/** The same with the whole of every group that begins among them. */
function unitFrom(boxes: readonly Box[], at: number): number {
  for (let end = at; ;) {
    const { group } = boxes[end]!
    const begins = group !== undefined && boxes[end - 1]?.group !== group
    end++
    while (begins && boxes[end]?.group === group) end++
    if (!boxes[end - 1]!.keep || end === boxes.length) return end
  }
}

/** Boxes of which the groups that begin among them have smaller pictures; `null` where none can. */
function withSmaller(boxes: readonly Box[]): Box[] | null {
  if (!boxes.some((box) => box.instead)) return null
  let left: string | undefined
  return boxes.flatMap((box) => {
    if (box.instead) {
      left = box.group
      return box.instead
    }
    return box.group !== undefined && box.group === left ? [] : [box]
  })
}

/** Puts boxes on pages. What belongs together stands on one page where it fits on one: a new one is begun for it.
 * @param heightPt room on a page
 * @returns at least one page */
export function paginate(given: readonly Box[], heightPt: number): Page[] {
  let boxes = given
  const pages: Page[] = [emptyPage()]
  let y = 0
  let fresh = true
  const begin = () => {
    pages.push(emptyPage())
    y = 0
    fresh = true
  }
  /** Whether boxes have room on what is left of the page; on a fresh one the room above the first does not count. */
  const fits = (some: readonly Box[]) => y + heightOf(some) - (fresh ? some[0]!.beforePt : 0) <= heightPt + 0.01
  const place = (box: Box) => {
    const page = pages.at(-1)!
    if (fresh && box.repeat) {
      page.placed.push(...box.repeat.placed)
      y += box.repeat.heightPt
    } else if (!fresh) y += box.beforePt
    fresh = false
    page.placed.push(...box.placed.map((each) => ({ ...each, y: each.y + y })))
    if (box.anchor) page.anchors.push({ name: box.anchor, y })
    if (box.mark) page.marks.push({ ...box.mark, y })
    if (box.ruled) page.ruled = { from: page.ruled?.from ?? y, to: y + box.heightPt }
    y += box.heightPt
  }
  const isHigher = (at: number, end: number) => heightOf(boxes.slice(at, end)) - boxes[at]!.beforePt > heightPt
  for (let at = 0; at < boxes.length;) {
    let end = unitFrom(boxes, at)
    // What fits on no page is cut: between lines that need not stand together, and where there are none, anywhere.
    if (isHigher(at, end)) end = chainFrom(boxes, at)
    if (isHigher(at, end)) end = at + 1
    if (!fresh && !fits(boxes.slice(at, end))) {
      const smaller = withSmaller(boxes.slice(at, end))
      if (!smaller || !fits(smaller)) begin()
      else {
        boxes = [...boxes.slice(0, at), ...smaller, ...boxes.slice(end)]
        end = at + smaller.length
      }
    }
    for (; at < end; at++) {
      if (!fresh && !fits([boxes[at]!])) begin()
      place(boxes[at]!)
    }
  }
  return pages
}
