import { seededIds, seededRandom, type PersonId } from '../shared'
import { describe, expect, it } from 'vitest'
import { above, CHART, chartAsSvg, chartOf, findInChart, layoutChart, openAtFirst, type ChartRows } from './index'

function rowsOf(size: number, seed = 5): ChartRows {
  const ids = seededIds(seed)
  const random = seededRandom(seed)
  return Array.from(
    { length: size },
    (_, n) => [ids<PersonId>(), `Name ${n}`, n % 3 ? 'Packer' : 'Łódź & <lead>', n === 0 ? -1 : Math.floor(random() * n)] as const,
  )
}

describe('the org chart', () => {
  it('knows who stands below whom, and how many', () => {
    const rows: ChartRows = [
      ['a' as PersonId, 'A', '', -1],
      ['b' as PersonId, 'B', '', 0],
      ['c' as PersonId, 'C', '', 1],
      ['d' as PersonId, 'D', '', -1],
    ]
    const { tops, all } = chartOf(rows)
    expect(tops.map(({ name, below }) => [name, below])).toEqual([
      ['A', 2],
      ['D', 0],
    ])
    expect(above(all.get('c' as PersonId)!).map(({ name }) => name)).toEqual(['B', 'A'])
  })
  it('shows only those whose managers are open, no two in one place, and every manager before those below', () => {
    const { tops, all } = chartOf(rowsOf(400))
    for (const open of [new Set<PersonId>(), openAtFirst(tops), new Set(all.keys())]) {
      const { placed, widthPx, heightPx } = layoutChart(tops, open)
      const expected = [...all.values()].filter((person) => above(person).every(({ id }) => open.has(id)))
      expect(new Set(placed.map(({ person }) => person.id))).toEqual(new Set(expected.map(({ id }) => id)))
      const columns = new Map<number, number[]>()
      for (const { x, y, from, person } of placed) {
        columns.set(x, [...(columns.get(x) ?? []), y])
        expect(from === null).toBe(person.manager === null)
        if (from) expect(x - from.x).toBe(CHART.columnWidth)
        expect(x + CHART.boxWidth).toBeLessThanOrEqual(widthPx)
        expect(y + CHART.boxHeight).toBeLessThanOrEqual(heightPx)
        expect(Math.min(x, y)).toBeGreaterThanOrEqual(0)
      }
      for (const ys of columns.values()) {
        ys.sort((a, b) => a - b)
        ys.forEach((y, n) => n > 0 && expect(y - ys[n - 1]!).toBeGreaterThanOrEqual(CHART.rowHeight - 0.001))
      }
    }
  })
  it('begins with what can be looked over', () => {
    const { tops } = chartOf(rowsOf(5_000))
    expect(layoutChart(tops, openAtFirst(tops)).placed.length).toBeLessThanOrEqual(tops.length + tops[0]!.reports.length + 30)
  })
  it('finds without case and accents, by every word', () => {
    const { all } = chartOf(rowsOf(40))
    expect(findInChart(all.values(), 'lodz name 3').map(({ name }) => name)).toEqual(['Name 3', 'Name 30', 'Name 33', 'Name 36', 'Name 39'])
    expect(findInChart(all.values(), 'NAME', 5)).toHaveLength(5)
    expect(findInChart(all.values(), '  ')).toEqual([])
  })
  it('is written as a file in which names are only names', () => {
    const svg = chartAsSvg(layoutChart(chartOf(rowsOf(4)).tops, new Set()), 'Org <chart>')
    expect(svg).toContain('Łódź &#38; &#60;lead&#62;')
    expect(svg).not.toContain('<lead>')
    expect(svg.startsWith('<svg xmlns="http://www.w3.org/2000/svg"')).toBe(true)
  })
})
