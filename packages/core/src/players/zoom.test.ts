import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { zoomOn } from './zoom'

describe('a zoom on an element', () => {
  it('is none when the picture is large enough or not there yet', () => {
    expect(zoomOn({ x: 0.5, y: 0.5 }, 1_100, 1_180, 1_280)).toBeNull()
    expect(zoomOn({ x: 0.5, y: 0.5 }, 0, 1_180, 1_280)).toBeNull()
  })
  it('shows the picture at its own size, and much enlarged at the most by 2.2', () => {
    expect(zoomOn({ x: 0.5, y: 0.5 }, 640, 640, 1_280)).toEqual({ factor: 2, x: -0, y: -0 })
    expect(zoomOn({ x: 0.5, y: 0.5 }, 300, 300, 3_000)!.factor).toBe(2.2)
  })
  it('stays in the middle as long as all of the width is seen', () => {
    // A picture of a third of its box, twice as large: two thirds of it.
    expect(zoomOn({ x: 0.9, y: 0.5 }, 300, 900, 600)).toEqual({ factor: 2, x: -0, y: -0 })
  })
  it('always has the element in sight, and no empty edge while the picture is larger than its box', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 200, max: 1_180 }),
        fc.integer({ min: 600, max: 4_000 }),
        (x, y, shownPx, widthPx) => {
          const boxPx = 1_180
          const zoom = zoomOn({ x, y }, shownPx, boxPx, widthPx)
          if (!zoom) return
          for (const [at, by, share] of [
            [x, zoom.x, shownPx / boxPx],
            [y, zoom.y, 1],
          ] as const) {
            // In shares of the box, 0 to 1, after enlarging from its middle.
            const onScreen = (place: number) => 0.5 + zoom.factor * ((place - 0.5) * share + by)
            expect(onScreen(at)).toBeGreaterThanOrEqual(-1e-9)
            expect(onScreen(at)).toBeLessThanOrEqual(1 + 1e-9)
            if (share * zoom.factor < 1) continue
            expect(onScreen(0)).toBeLessThanOrEqual(1e-9)
            expect(onScreen(1)).toBeGreaterThanOrEqual(1 - 1e-9)
          }
        },
      ),
    )
  })
})
