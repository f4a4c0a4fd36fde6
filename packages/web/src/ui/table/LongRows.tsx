import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState } from 'react'
import { TableRow, type RowsOf } from './TableRow'

const ROW_PX = 41

/** How far below the top of the page an element begins, in px; measured anew whenever the page has changed its height. */
function useTopOf(element: { current: HTMLElement | null }): number {
  const [top, setTop] = useState(0)
  useEffect(() => {
    const measure = () => setTop(Math.round((element.current?.getBoundingClientRect().top ?? 0) + window.scrollY))
    const watch = new ResizeObserver(measure)
    watch.observe(document.body)
    measure()
    return () => watch.disconnect()
  }, [element])
  return top
}

/** Rows of which only those near the window are there: thousands can be gone through. */
export function LongRows<Row, By extends string>({ rows, ...of }: RowsOf<Row, By>) {
  const body = useRef<HTMLTableSectionElement>(null)
  const scrollMargin = useTopOf(body)
  const list = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => ROW_PX,
    overscan: 12,
    scrollMargin,
    getItemKey: (index) => of.keyOf(rows[index]!),
  })
  const shown = list.getVirtualItems()
  const above = (shown[0]?.start ?? 0) - scrollMargin
  const below = list.getTotalSize() - (shown.at(-1)?.end ?? 0) + scrollMargin
  const gap = (heightPx: number) => heightPx > 0 && <tr aria-hidden style={{ height: heightPx }} />
  return (
    <tbody ref={body}>
      {gap(above)}
      {shown.map(({ index, key }) => (
        <TableRow key={key} ref={list.measureElement} row={rows[index]!} index={index} {...of} />
      ))}
      {gap(below)}
    </tbody>
  )
}
