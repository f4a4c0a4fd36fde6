import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { frameBrackets } from './frame'

const numbers = (path: string) => [...path.matchAll(/-?\d+(?:\.\d+)?/g)].map((match) => Number(match[0]))
const whole = (width: number, height: number) => ({ x: 0, y: 0, width, height })

describe('a frame', () => {
  it('stands around its area with four brackets that leave the sides open', () => {
    const { area, paths } = frameBrackets({ x: 95, y: 45, width: 210, height: 50 }, whole(1280, 800), 1.5)
    expect(area).toEqual({ x: 95, y: 45, width: 210, height: 50 })
    expect(paths).toEqual(['M122 45H95V61', 'M278 45H305V61', 'M278 95H305V79', 'M122 95H95V79'])
  })
  it('is made larger around something small, with the thing in its middle', () => {
    const { area } = frameBrackets({ x: 95, y: 95, width: 22, height: 70 }, whole(1280, 800), 1, 40)
    expect(area).toEqual({ x: 86, y: 95, width: 40, height: 70 })
  })
  it('stays within the shown part and keeps its corners in order, wherever the area is', () => {
    const side = fc.integer({ min: 40, max: 4000 })
    const place = fc.float({ min: -50, max: 4000, noNaN: true })
    const extent = fc.integer({ min: 1, max: 4000 })
    fc.assert(
      fc.property(side, side, place, place, extent, extent, (widthPx, heightPx, x, y, width, height) => {
        const { area, paths } = frameBrackets({ x, y, width, height }, whole(widthPx, heightPx), Math.max(1, widthPx / 760), 24)
        expect(area.width).toBeGreaterThanOrEqual(0)
        expect(area.height).toBeGreaterThanOrEqual(0)
        for (const path of paths) {
          const [fromX, cornerY, cornerX, toY] = numbers(path) as [number, number, number, number]
          for (const at of [fromX, cornerX]) expect(at >= 0 && at <= widthPx).toBe(true)
          for (const at of [cornerY, toY]) expect(at >= 0 && at <= heightPx).toBe(true)
        }
      }),
    )
  })
})
