import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Box } from './box'
import { paginate } from './paginate'

const HEIGHT = 100
const aBox = (n: number, heightPt: number, more: Partial<Box> = {}): Box => ({
  heightPt,
  beforePt: 0,
  placed: [{ is: 'path', d: `${n}`, scale: 1, x: 0, y: 0, part: null }],
  ...more,
})
const pagesOf = (boxes: Box[]) =>
  paginate(boxes, HEIGHT).map((page) => page.placed.map((each) => (each.is === 'path' ? Number(each.d) : -1)))

describe('putting boxes on pages', () => {
  it('fills a page, then begins the next; room above a box does not count at the top', () => {
    expect(pagesOf([aBox(1, 60), aBox(2, 40), aBox(3, 100, { beforePt: 20 })])).toEqual([[1, 2], [3]])
  })
  it('begins a page for a group that does not fit on the rest of one, with the heading before it', () => {
    const step = { group: 'step' }
    expect(pagesOf([aBox(1, 50), aBox(2, 10, { keep: true }), aBox(3, 30, step), aBox(4, 30, step)])).toEqual([[1], [2, 3, 4]])
  })
  it('takes smaller pictures rather than a new page', () => {
    const step = { group: 'step' }
    const instead = [aBox(12, 10, step), aBox(13, 20, step)]
    expect(pagesOf([aBox(1, 60), aBox(2, 10, { ...step, instead }), aBox(3, 40, step), aBox(4, 5)])).toEqual([[1, 12, 13, 4]])
  })
  it('has the head of a table once more on each page', () => {
    const repeat = { heightPt: 10, placed: aBox(0, 10).placed }
    expect(pagesOf([aBox(0, 10), ...[1, 2, 3, 4].map((n) => aBox(n, 40, { repeat }))])).toEqual([
      [0, 1, 2],
      [0, 3, 4],
    ])
  })
  it('keeps order and everything, is never higher than a page, and cuts no group that fits on one', () => {
    const some = fc.array(
      fc.record({
        heightPt: fc.integer({ min: 1, max: 60 }),
        beforePt: fc.integer({ min: 0, max: 8 }),
        keep: fc.boolean(),
        group: fc.integer({ min: 0, max: 5 }),
      }),
      { maxLength: 40 },
    )
    fc.assert(
      fc.property(some, (given) => {
        let run = 0
        // Groups are runs of boxes.
        const boxes = given.map((each, n) =>
          aBox(n, each.heightPt, {
            beforePt: each.beforePt,
            ...(each.keep ? { keep: true } : {}),
            group: `${given[n - 1]?.group === each.group ? run : ++run}`,
          }),
        )
        const pages = paginate(boxes, HEIGHT)
        const order = pages.flatMap((page) => page.placed.map((each) => (each.is === 'path' ? Number(each.d) : -1)))
        expect(order).toEqual(boxes.map((_, n) => n))
        for (const page of pages)
          for (const each of page.placed)
            if (each.is === 'path') expect(each.y + boxes[Number(each.d)]!.heightPt).toBeLessThanOrEqual(HEIGHT + 0.02)
        const pageOf = new Map(
          pages.flatMap((page, n) => page.placed.map((each) => [each.is === 'path' ? Number(each.d) : -1, n] as const)),
        )
        for (const name of new Set(boxes.map((box) => box.group))) {
          const own = boxes.flatMap((box, n) => (box.group === name ? [n] : []))
          const height = own.reduce((sum, n) => sum + boxes[n]!.heightPt + boxes[n]!.beforePt, 0)
          // What must stand with what follows may be longer than a page together.
          const chained = own.some((n) => boxes[n]!.keep) || boxes[own[0]! - 1]?.keep
          if (height <= HEIGHT && !chained) expect(new Set(own.map((n) => pageOf.get(n))).size).toBe(1)
        }
      }),
    )
  })
})
