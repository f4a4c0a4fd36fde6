import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import { init, use } from 'echarts/core'
import { LabelLayout } from 'echarts/features'
import { CanvasRenderer } from 'echarts/renderers'
import { chartOption, type ChartData } from './chartLook'

use([BarChart, LineChart, GridComponent, TooltipComponent, LabelLayout, CanvasRenderer])

/** A chart in an element of the page. `onPick`: what follows when a place on it is pressed, and which line is nearest there; `png`: as a picture,
 * in a data address. */
export type Drawn = {
  show: (data: ChartData) => void
  onPick: (then: (line: number, place: number) => void) => void
  resize: () => void
  png: () => string
  end: () => void
}

/** Begins a chart in an element. */
export function drawChart(box: HTMLElement, heightPx: number): Drawn {
  const chart = init(box)
  let shown: ChartData | null = null
  return {
    show: (data) => {
      shown = data
      chart.setOption(chartOption(data, heightPx), true)
    },
    onPick: (then) => {
      chart.getZr().on('click', ({ offsetX, offsetY }) => {
        if (!shown || !chart.containPixel({ gridIndex: 0 }, [offsetX, offsetY])) return
        const [place = 0, height = 0] = chart.convertFromPixel({ gridIndex: 0 }, [offsetX, offsetY]).map(Math.round)
        const far = shown.lines.map(({ values }) => Math.abs((values[place] ?? Infinity) - height))
        then(far.indexOf(Math.min(...far)), place)
      })
    },
    resize: () => chart.resize(),
    png: () => chart.getDataURL({ type: 'png', pixelRatio: 2, backgroundColor: '#ffffff' }),
    end: () => chart.dispose(),
  }
}
