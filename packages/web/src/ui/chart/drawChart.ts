import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import { init, use } from 'echarts/core'
import { LabelLayout } from 'echarts/features'
import { CanvasRenderer } from 'echarts/renderers'
import { chartOption, type ChartData } from './chartLook'

use([BarChart, LineChart, GridComponent, TooltipComponent, LabelLayout, CanvasRenderer])

/** A chart in an element of the page. `png`: as a picture, in a data address. */
export type Drawn = { show: (data: ChartData) => void; resize: () => void; png: () => string; end: () => void }

/** Begins a chart in an element. */
export function drawChart(box: HTMLElement, heightPx: number): Drawn {
  const chart = init(box)
  return {
    show: (data) => chart.setOption(chartOption(data, heightPx), true),
    resize: () => chart.resize(),
    png: () => chart.getDataURL({ type: 'png', pixelRatio: 2, backgroundColor: '#ffffff' }),
    end: () => chart.dispose(),
  }
}
