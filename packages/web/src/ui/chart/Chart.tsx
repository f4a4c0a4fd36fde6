import { csvHead, csvLines } from '@jackdaw/core/shared'
import { Download } from 'lucide-react'
import { useEffect, useId, useMemo, useRef } from 'react'
import { Link, useNavigate } from 'react-router'
import { Button } from '../Button'
import { useTexts } from '../words/texts'
import type { ChartData } from './chartLook'
import { drawChart, type Drawn } from './drawChart'

const HEIGHT_PX = 240

function save(name: string, href: string): void {
  const link = document.createElement('a')
  link.href = href
  link.download = name
  link.click()
}

/** Lines over time, or bars, with the table behind them, words for who cannot see them, and both as a file.
 * @param head    what stands above the first column of the table
 * @param says    in words what is shown
 * @param file    name of the files, without an ending
 * @param opens   the page with what a value counts: of which line, at which place */
export function Chart({
  title,
  head,
  says,
  file,
  opens,
  ...data
}: ChartData & { title: string; head: string; says: string; file: string; opens?: (line: number, place: number) => string | null }) {
  const { t } = useTexts()
  const { as, along, written, lines } = data
  const box = useRef<HTMLDivElement>(null)
  const drawn = useRef<Drawn | null>(null)
  const navigate = useNavigate()
  const open = useRef(opens)
  open.current = opens
  const id = useId()
  // What is shown is told by its values: the page makes the lists anew whenever it is drawn.
  const shown = JSON.stringify([as, along, lines])
  const stable = useMemo<ChartData>(() => {
    const [how, places, values] = JSON.parse(shown) as [ChartData['as'], ChartData['along'], ChartData['lines']]
    return { as: how, along: places, lines: values, written }
    // How places are written does not change.
  }, [shown])
  useEffect(() => {
    if (!box.current) return
    const chart = drawChart(box.current, HEIGHT_PX)
    drawn.current = chart
    chart.onPick((line, place) => {
      const to = open.current?.(line, place)
      if (to) void navigate(to)
    })
    const watch = new ResizeObserver(() => chart.resize())
    watch.observe(box.current)
    return () => {
      watch.disconnect()
      chart.end()
      drawn.current = null
    }
  }, [navigate])
  useEffect(() => drawn.current?.show(stable), [stable])
  const csv = (): string => {
    const rows = along.map((each, i) => [each, ...lines.map((line) => line.values[i] ?? null)])
    return URL.createObjectURL(
      new Blob([csvHead([head, ...lines.map((line) => line.name)]), csvLines(rows)], { type: 'text/csv;charset=utf-8' }),
    )
  }
  return (
    <figure aria-labelledby={`${id}-title`} className="bg-sheet">
      <div className="flex flex-wrap items-center gap-2">
        <figcaption id={`${id}-title`} className="grow font-semibold">
          {title}
        </figcaption>
        <Button look="quiet" className="text-sm" onClick={() => drawn.current && save(`${file}.png`, drawn.current.png())}>
          <Download size={15} aria-hidden /> {t('PNG')}
        </Button>
        <Button look="quiet" className="text-sm" onClick={() => save(`${file}.csv`, csv())}>
          <Download size={15} aria-hidden /> {t('CSV')}
        </Button>
      </div>
      <div ref={box} role="img" aria-label={says} style={{ height: HEIGHT_PX }} className="w-full" />
      <NumbersBehind {...{ head, along, written, lines, opens }} />
    </figure>
  )
}

type Numbers = Pick<ChartData, 'along' | 'written' | 'lines'> & {
  head: string
  opens: ((line: number, place: number) => string | null) | undefined
}
/** The numbers of a chart as a table, each leading to what it counts where that can be opened. */
function NumbersBehind({ head, along, written, lines, opens }: Numbers) {
  const { t } = useTexts()
  return (
    <details>
      <summary className="text-sm text-petrol min-h-8">{t('The numbers as a table')}</summary>
      <div className="max-h-80 overflow-auto">
        <table className="text-sm">
          <thead>
            <tr className="border-b border-ink">
              {[head, ...lines.map((line) => line.name)].map((name) => (
                <th key={name} scope="col" className="text-left pr-6 py-1">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {along.map((each, i) => (
              <tr key={each} className="border-b border-hair">
                <th scope="row" className="text-left font-normal pr-6 py-0.5 whitespace-nowrap">
                  {written(each)}
                </th>
                {lines.map((line, n) => (
                  <td key={line.name} className="pr-6">
                    <Value value={line.values[i] ?? null} to={line.values[i] ? opens?.(n, i) : null} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  )
}

/** A value, with what it counts behind it; what is not known is a line. */
function Value({ value, to }: { value: number | null; to: string | null | undefined }) {
  if (value === null) return <>–</>
  if (!to) return <>{value}</>
  return (
    <Link to={to} className="underline underline-offset-3">
      {value}
    </Link>
  )
}
