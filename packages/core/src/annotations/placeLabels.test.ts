import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cross, distance, grown, holds, overlap } from './geometry'
import { leaderOf } from './leader'
import { placeLabels, sideOf, type Among, type LabelToPlace } from './placeLabels'

const bounds = { x: 0, y: 0, width: 1280, height: 800 }
const unit = 1280 / 760
const element = { x: 500, y: 340, width: 240, height: 60 }
const among: Among = { bounds, obstacles: [element], unit }

const label = (id: number, x: number, y: number, width = 150, height = 40): LabelToPlace => ({
  id: `l${id}`,
  dot: { x, y },
  size: { width, height },
})
/** Dots at least so far apart as things that one would point at are. */
const someLabels = (most: number): fc.Arbitrary<LabelToPlace[]> =>
  fc
    .array(
      fc.record({ x: fc.integer({ min: 40, max: 1240 }), y: fc.integer({ min: 40, max: 760 }), width: fc.integer({ min: 60, max: 190 }) }),
      { minLength: 1, maxLength: most },
    )
    .map((dots) => {
      const apart: typeof dots = []
      for (const dot of dots) if (apart.every((each) => distance(each, dot) > 60)) apart.push(dot)
      return apart.map(({ x, y, width }, i) => label(i, x, y, width, 34))
    })

function faultsOf(labels: readonly LabelToPlace[], placed: Map<string, any>, { obstacles }: Among): string[] {
  const faults: string[] = []
  labels.forEach((one, i) => {
    const slip = placed.get(one.id)
    if (!holds(bounds, slip)) faults.push(`${one.id} leaves the picture`)
    for (const thing of obstacles) if (overlap(slip, thing) > 0) faults.push(`${one.id} covers a thing`)
    labels.slice(i + 1).forEach((other) => {
      if (overlap(slip, placed.get(other.id)) > 0) faults.push(`${one.id} covers ${other.id}`)
    })
  })
  return faults
}

describe('labels', () => {
  it('cover neither the element nor each other and stay inside, also twelve and more of them', () => {
    fc.assert(
      fc.property(someLabels(16), (labels) => {
        expect(faultsOf(labels, placeLabels(labels, among), among)).toEqual([])
      }),
      { numRuns: 300 },
    )
  })
  it('find room when all twelve speak of one small thing', () => {
    const labels = Array.from({ length: 12 }, (_, i) => label(i, 640 + 20 * Math.cos(i), 400 + 20 * Math.sin(i)))
    expect(faultsOf(labels, placeLabels(labels, { ...among, obstacles: [] }), { ...among, obstacles: [] })).toEqual([])
  })
  it('give the same answer every time, and whatever else was placed before', () => {
    fc.assert(
      fc.property(someLabels(12), (labels) => {
        const first = [...placeLabels(labels, among)]
        placeLabels([label(99, 5, 5)], among)
        expect([...placeLabels(JSON.parse(JSON.stringify(labels)) as LabelToPlace[], { ...among })]).toEqual(first)
      }),
      { numRuns: 60 },
    )
  })
  it('go along when everything moves by a little, as long as there is room', () => {
    fc.assert(
      fc.property(fc.integer({ min: -3, max: 3 }), fc.integer({ min: -3, max: 3 }), (dx, dy) => {
        const at = (x: number, y: number) => [label(0, 740 + x, 370 + y), label(1, 620 + x, 340 + y), label(2, 500 + x, 370 + y)]
        const still = placeLabels(at(0, 0), among)
        const moved = placeLabels(at(dx, dy), { ...among, obstacles: [{ ...element, x: element.x + dx, y: element.y + dy }] })
        for (const [id, slip] of still) {
          expect(moved.get(id)!.x - slip.x).toBeCloseTo(dx, 6)
          expect(moved.get(id)!.y - slip.y).toBeCloseTo(dy, 6)
        }
      }),
    )
  })
  it('keep their side in nine of ten cases when one dot moves by a pixel or two', () => {
    let [kept, all] = [0, 0]
    fc.assert(
      fc.property(someLabels(8), fc.integer({ min: -2, max: 2 }), fc.integer({ min: -2, max: 2 }), (labels, dx, dy) => {
        const moved = labels.map((each, i) => (i === 0 ? { ...each, dot: { x: each.dot.x + dx, y: each.dot.y + dy } } : each))
        const [before, after] = [placeLabels(labels, among), placeLabels(moved, among)]
        labels.forEach((each, i) => {
          all++
          if (sideOf(before.get(each.id)!, each.dot) === sideOf(after.get(each.id)!, moved[i]!.dot)) kept++
        })
      }),
      { numRuns: 200, seed: 4 },
    )
    expect(kept / all).toBeGreaterThan(0.9)
  })
  it('keep leaders short and uncrossed', () => {
    const dots = [560, 600, 640, 680].map((x, i) => label(i, x, i % 2 ? 400 : 340))
    const placed = placeLabels(dots, among)
    const leaders = dots.map((each) => leaderOf(placed.get(each.id)!, each.dot, unit))
    for (const [i, one] of leaders.entries())
      for (const other of leaders.slice(i + 1))
        for (let a = 1; a < one.length; a++)
          for (let b = 1; b < other.length; b++) expect(cross(one[a - 1]!, one[a]!, other[b - 1]!, other[b]!)).toBe(false)
    for (const each of dots) expect(distance(leaderOf(placed.get(each.id)!, each.dot, unit)[0]!, each.dot)).toBeLessThan(150 * unit)
  })
  it.each(['left', 'right', 'top', 'bottom'] as const)('prefer the side of the step before: %s', (prefer) => {
    const point = { left: [500, 370], right: [740, 370], top: [620, 340], bottom: [620, 400] }[prefer] as [number, number]
    const middle = label(0, 620, 370)
    expect(sideOf(placeLabels([middle], { ...among, obstacles: [], prefer }).get('l0')!, middle.dot)).toBe(prefer)
    const edge = label(0, ...point)
    expect(sideOf(placeLabels([edge], { ...among, prefer }).get('l0')!, edge.dot)).toBe(prefer)
  })
  it('make way for one that was put somewhere by hand', () => {
    const alone = placeLabels([label(0, 740, 370)], among).get('l0')!
    const hand = { ...label(1, 900, 600), fixed: alone }
    const placed = placeLabels([label(0, 740, 370), hand], among)
    expect(placed.get('l1')).toEqual(alone)
    expect(overlap(placed.get('l0')!, alone)).toBe(0)
  })
  it('start at the corner of a picture that is smaller than they are, and stand over a thing that fills the picture', () => {
    expect(placeLabels([label(0, 50, 50, 3_000, 20)], among).get('l0')).toMatchObject({ x: 0, y: 0 })
    const full = placeLabels([label(0, 600, 300)], { ...among, obstacles: [grown(bounds, 10)] }).get('l0')!
    expect(holds(bounds, full)).toBe(true)
  })
})

describe('a leader', () => {
  const slip = { x: 100, y: 100, width: 100, height: 30 }
  it('is straight across from the dot and has one bend elsewhere', () => {
    expect(leaderOf(slip, { x: 150, y: 300 }, 1)).toEqual([
      { x: 150, y: 130 },
      { x: 150, y: 300 },
    ])
    expect(leaderOf(slip, { x: 20, y: 110 }, 1)).toEqual([
      { x: 100, y: 110 },
      { x: 20, y: 110 },
    ])
    expect(leaderOf(slip, { x: 300, y: 300 }, 1)).toEqual([
      { x: 200, y: 115 },
      { x: 209, y: 115 },
      { x: 300, y: 300 },
    ])
    expect(leaderOf(slip, { x: 150, y: 110 }, 1)).toHaveLength(1)
  })
})
