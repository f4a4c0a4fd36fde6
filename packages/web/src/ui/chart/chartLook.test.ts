import { expect, it } from 'vitest'
import { axisFor, chartOption, namesApart } from './chartLook'

it('keeps the names of lines apart that end at the same height, and inside', () => {
  expect(namesApart([1, 0], 200)).toEqual([0, 0])
  const ends = [0, 0.02, 0]
  const places = namesApart(ends, 200).map((by, i) => (1 - ends[i]!) * 200 + by)
  const sorted = [...places].sort((a, b) => a - b)
  for (let i = 1; i < sorted.length; i++) expect(sorted[i]! - sorted[i - 1]!).toBeGreaterThanOrEqual(17 - 1e-9)
  expect(Math.max(...places)).toBeLessThanOrEqual(200)
})
it('has at most six round steps, up to the largest value or a little above', () => {
  expect(axisFor(64)).toEqual({ max: 80, interval: 20 })
  expect(axisFor(1)).toEqual({ max: 1, interval: 1 })
  for (let most = 1; most < 5_000; most++) {
    const { max, interval } = axisFor(most)
    expect([max >= most, max / interval <= 6, Number.isInteger(interval)]).toEqual([true, true, true])
  }
})
it('stands on zero and names every line', () => {
  const option = chartOption({ as: 'lines', along: ['a', 'b'], written: (each) => each, lines: [{ name: 'Done', values: [3, 5] }] }, 240)
  expect(option.yAxis).toMatchObject({ min: 0, max: 5 })
  expect(option.series).toMatchObject([{ name: 'Done', endLabel: { show: true } }])
})
