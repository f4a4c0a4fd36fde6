import type { BarSeriesOption, LineSeriesOption } from 'echarts/charts'
import type { GridComponentOption, TooltipComponentOption } from 'echarts/components'
import type { ComposeOption } from 'echarts/core'

/** A line of a chart: what it is called, and a value for each place along. */
type ChartLine = { name: string; values: readonly (number | null)[] }
/** What a chart shows. `as`: lines of what stands until it changes, flows of what there was in each period, or a bar for each place; `along`: what stands below each place; `written`: the same as people read it. */
export type ChartData = {
  as: 'lines' | 'flows' | 'bars'
  along: readonly string[]
  written: (along: string) => string
  lines: readonly ChartLine[]
}

export type ChartOption = ComposeOption<BarSeriesOption | LineSeriesOption | GridComponentOption | TooltipComponentOption>

const INK = '#17212b'
const SOFT = '#4a5763'
const HAIR = '#d5dade'
const FONT = "'Source Sans 3 Variable', system-ui, sans-serif"

/** Lines differ by steps of lightness, by their dashes and by the names at their ends: they are told apart in grey print too. */
const LINES = [
  { color: '#17212b', type: 'solid', width: 3 },
  { color: '#4f6f7a', type: 'solid', width: 2 },
  { color: '#8fa3ab', type: [6, 4], width: 2 },
  { color: '#5d6975', type: [2, 3], width: 2 },
] as const

/** Least distance of two names at the ends of lines, in pixels. */
const NAME_PX = 17

/** By how much the name of each line is moved from where it ends, in pixels, so that none covers another.
 * @param ends how high each line ends, 0 (the axis) to 1 (the top)
 * @param heightPx of what the lines are drawn in */
export function namesApart(ends: readonly number[], heightPx: number): number[] {
  const order = ends.map((end, index) => ({ index, at: (1 - end) * heightPx })).sort((a, b) => a.at - b.at || a.index - b.index)
  let last = -Infinity
  const moved = order.map(({ index, at }) => {
    const to = Math.max(at, last + NAME_PX)
    last = to
    return { index, by: to - at }
  })
  const over = Math.max(0, last - heightPx)
  return moved.sort((a, b) => a.index - b.index).map(({ by }) => by - over)
}

/** Where an axis from zero ends, and its steps, so that it has at most six round ones.
 * @param most the largest value, above 0 */
export function axisFor(most: number): { max: number; interval: number } {
  const power = 10 ** Math.floor(Math.log10(most))
  const interval = Math.max(1, [0.2, 0.5, 1, 2].map((part) => part * power).find((step) => most / step <= 6) ?? power)
  return { max: Math.ceil(most / interval) * interval, interval }
}

/** Lines or bars in our look: zero on the axis, each line named at its end and each bar with its value above it, no legend.
 * @param heightPx of the whole chart */
export function chartOption({ as, along, written, lines }: ChartData, heightPx: number): ChartOption {
  const axis = axisFor(Math.max(1, ...lines.flatMap((line) => line.values.map((value) => value ?? 0))))
  const apart = namesApart(
    lines.map((line) => (line.values.at(-1) ?? 0) / axis.max),
    heightPx - TOP_PX - BOTTOM_PX,
  )
  return {
    animation: false,
    textStyle: { fontFamily: FONT, color: INK },
    grid: { left: 8, right: as === 'bars' ? 8 : RIGHT_PX, top: TOP_PX, bottom: BOTTOM_PX, containLabel: false, outerBoundsMode: 'same' },
    tooltip: {
      trigger: 'axis',
      confine: true,
      backgroundColor: '#ffffff',
      borderColor: INK,
      borderRadius: 2,
      textStyle: { color: INK, fontSize: 13, fontFamily: FONT },
      axisPointer: as === 'bars' ? { type: 'none' } : { type: 'line', lineStyle: { color: SOFT } },
    },
    xAxis: {
      type: 'category',
      data: along.map(written),
      boundaryGap: as === 'bars',
      axisLine: { lineStyle: { color: INK } },
      axisTick: { show: false },
      axisLabel: { color: SOFT, fontSize: 12, hideOverlap: true, showMinLabel: true, alignMinLabel: 'left' },
    },
    yAxis: {
      type: 'value',
      min: 0,
      ...axis,
      axisLabel: { color: SOFT, fontSize: 12 },
      splitLine: { lineStyle: { color: HAIR } },
    },
    series:
      as === 'bars'
        ? lines.map(barOf)
        : lines.map((line, index) => ({ ...lineOf(line, index, apart[index] ?? 0), ...(as === 'flows' ? flow(along.length) : {}) })),
  }
}

const barOf = ({ name, values }: ChartLine, index: number): BarSeriesOption => ({
  type: 'bar',
  name,
  data: [...values],
  barMaxWidth: 34,
  itemStyle: { color: LINES[(index + 1) % LINES.length]!.color },
  label: { show: true, position: 'top', color: INK, fontSize: 12 },
  emphasis: { disabled: true },
})

/** Of so many periods each is a point. */
const MOST_POINTS = 62
/** What lies between two periods is not known: a straight line leads from one to the next. */
const flow = (periods: number): Pick<LineSeriesOption, 'step' | 'symbol' | 'symbolSize' | 'showAllSymbol'> => ({
  step: false,
  symbol: periods <= MOST_POINTS ? 'rect' : 'none',
  symbolSize: 5,
  showAllSymbol: true,
})
function lineOf({ name, values }: ChartLine, index: number, offset: number): LineSeriesOption {
  const { color, type, width } = LINES[index % LINES.length]!
  return {
    type: 'line',
    name,
    data: [...values],
    step: 'end',
    symbol: 'none',
    lineStyle: { color, width, type: typeof type === 'string' ? type : [...type] },
    itemStyle: { color },
    endLabel: {
      show: true,
      formatter: '{a} {c}',
      color: INK,
      fontSize: 13,
      fontWeight: 600,
      distance: 6,
      offset: [0, offset],
    },
    labelLayout: { moveOverlap: 'shiftY' },
    emphasis: { disabled: true },
  }
}
const TOP_PX = 14
const BOTTOM_PX = 26
const RIGHT_PX = 110
