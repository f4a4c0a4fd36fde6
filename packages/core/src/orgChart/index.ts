export { above, CHART, chartAsSvg, chartOf, findInChart, layoutChart, lineTo, openAtFirst } from './chartTree'
export type { ChartLayout, ChartPerson, ChartRows, Placed } from './chartTree'
