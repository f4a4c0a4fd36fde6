import type { GuideDocument } from '@jackdaw/core/guides'
import { flowLines } from '@jackdaw/core/flow'
import { useEffect, useMemo, useState, type RefObject } from 'react'

const LANE_PX = 9
const MOST_LANES = 4

/** The branches of a guide beside its ruler: a line from each step that leads elsewhere to where it leads, dashed where a rule decides. */
export function FlowLines({
  document,
  list,
  selected,
}: {
  document: GuideDocument
  list: RefObject<HTMLOListElement | null>
  selected: string | null
}) {
  const lines = useMemo(() => flowLines(document), [document])
  const shape = lines.map((line) => `${line.key} ${line.to}`).join('|') + document.items.map((item) => item.id).join(' ')
  const drawn = lines.length > 0
  const [places, setPlaces] = useState<ReadonlyMap<string, number>>(new Map())
  const [height, setHeight] = useState(0)
  // The list comes after the lines: it is there only once everything is.
  useEffect(() => {
    const { current } = list
    if (!current || !drawn) return
    const measure = () => {
      const found = new Map<string, number>()
      for (const each of current.children) {
        if (!(each instanceof HTMLElement)) continue
        const id = each.dataset['item']
        if (id) found.set(id, each.offsetTop + 16)
      }
      found.set('end', current.offsetHeight + 6)
      setPlaces(found)
      setHeight(current.offsetHeight + 16)
    }
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(current)
    return () => observer.disconnect()
  }, [list, shape, drawn])
  if (!drawn) return null
  const width = LANE_PX * (Math.min(MOST_LANES, lines.length) + 1)
  return (
    <svg
      aria-hidden
      className="absolute left-0 top-0 overflow-visible pointer-events-none"
      width={width}
      height={height}
      data-flow-lines={lines.length}
    >
      {lines.map((line, n) => {
        const [from, to] = [places.get(line.from), places.get(line.to)]
        if (from === undefined || to === undefined) return null
        const x = width - LANE_PX * ((n % MOST_LANES) + 1)
        const here = line.from === selected || line.to === selected
        const start = from + (line.byRule ? 5 : 3)
        return (
          <g key={line.key} className={here ? 'text-petrol' : 'text-soft'} stroke="currentColor" fill="none" strokeWidth={here ? 2 : 1.5}>
            <path d={`M ${width} ${start} H ${x} V ${to} H ${width - 2}`} strokeDasharray={line.byRule ? '4 3' : undefined} />
            <path d={`M ${width - 7} ${to - 4} L ${width - 2} ${to} L ${width - 7} ${to + 4}`} />
          </g>
        )
      })}
    </svg>
  )
}

/** Room that the lines take beside the ruler, in pixels. */
export const roomForLines = (document: GuideDocument): number => {
  const count = flowLines(document).length
  return count === 0 ? 0 : LANE_PX * (Math.min(MOST_LANES, count) + 1)
}
