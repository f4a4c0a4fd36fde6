import type { PersonId } from '@jackdaw/core/shared'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { useNavigate } from 'react-router'
import { useTexts } from '../../ui/words/texts'
import { CHART, lineTo, type ChartLayout, type Placed } from '@jackdaw/core/orgChart'

type Shared = { open: ReadonlySet<PersonId>; at: PersonId | undefined; onToggle: (id: PersonId) => void; onAt: (id: PersonId) => void }
/** What of the drawing lies in the window, with some more around it. */
type Seen = { left: number; top: number; right: number; bottom: number }
const AROUND = 600

/** The org chart as a drawing. Only what is near the window is drawn. With the keyboard: right opens or goes to the first report, left folds or goes to
 * the manager, up and down to the next in the same column, Enter to the page. */
export function ChartDrawing({ layout, open, at, onToggle, onAt }: Shared & { layout: ChartLayout }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const box = useRef<HTMLDivElement>(null)
  const [seen, setSeen] = useState<Seen>({ left: 0, top: 0, right: 2_000, bottom: 1_400 })
  const look = () => {
    const { scrollLeft, scrollTop, clientWidth, clientHeight } = box.current!
    setSeen({
      left: scrollLeft - AROUND,
      top: scrollTop - AROUND,
      right: scrollLeft + clientWidth + AROUND,
      bottom: scrollTop + clientHeight + AROUND,
    })
  }
  const here = layout.placed.find(({ person }) => person.id === at) ?? layout.placed[0]
  const [x, y] = [here?.x ?? 0, here?.y ?? 0]
  const moved = useRef(false)
  useEffect(() => {
    const { clientWidth, clientHeight, scrollLeft, scrollTop } = box.current!
    const inside =
      x >= scrollLeft && x + CHART.boxWidth <= scrollLeft + clientWidth && y >= scrollTop && y + CHART.boxHeight <= scrollTop + clientHeight
    if (!inside) box.current!.scrollTo(Math.max(0, x - CHART.columnWidth), Math.max(0, y - clientHeight / 2))
    if (moved.current) box.current!.querySelector<SVGElement>('[tabindex="0"]')?.focus({ preventScroll: true })
    moved.current = false
    look()
  }, [x, y])
  const go = (to: Placed | undefined) => {
    if (!to) return
    moved.current = true
    onAt(to.person.id)
  }
  const keyed = (event: KeyboardEvent) => {
    if (!here) return
    const { person } = here
    const place = (id: PersonId | undefined) => layout.placed.find((each) => each.person.id === id)
    const column = layout.placed.filter((each) => each.x === here.x).sort((a, b) => a.y - b.y)
    const index = column.indexOf(here)
    const does: Record<string, () => void> = {
      ArrowRight: () => (person.reports.length > 0 && !open.has(person.id) ? onToggle(person.id) : go(place(person.reports[0]?.id))),
      ArrowLeft: () => (open.has(person.id) && person.reports.length > 0 ? onToggle(person.id) : go(place(person.manager?.id))),
      ArrowDown: () => go(column[index + 1]),
      ArrowUp: () => go(column[index - 1]),
      Home: () => go(layout.placed[0]),
      Enter: () => void navigate(`/people/${person.id}`),
      ' ': () => person.reports.length > 0 && onToggle(person.id),
    }
    const act = does[event.key]
    if (!act) return
    event.preventDefault()
    act()
  }
  const near = layout.placed.filter(
    (each) => each.x < seen.right && each.x + CHART.boxWidth > seen.left && each.y < seen.bottom && each.y + CHART.boxHeight > seen.top,
  )
  const lines = layout.placed.filter(
    (each) => each.from && Math.max(each.y, each.from.y) > seen.top - 40 && Math.min(each.y, each.from.y) < seen.bottom + 40,
  )
  return (
    <div ref={box} className="grow overflow-auto min-h-[60vh] max-h-[calc(100dvh-13.5rem)]" onScroll={look} data-chart>
      <svg width={layout.widthPx} height={layout.heightPx} role="tree" aria-label={t('Org chart')} onKeyDown={keyed}>
        <path d={lines.map((each) => lineTo(each)).join('')} className="fill-none stroke-edge" role="presentation" />
        {near.map((each) => (
          <PersonBox key={each.person.id} placed={each} current={each === here} onToggle={onToggle} onAt={onAt} />
        ))}
      </svg>
    </div>
  )
}

function PersonBox({ placed, current, onToggle, onAt }: { placed: Placed; current: boolean } & Pick<Shared, 'onToggle' | 'onAt'>) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const { person, x, y, open } = placed
  const has = person.reports.length > 0
  return (
    <g transform={`translate(${x} ${y})`} role="presentation">
      <g
        role="treeitem"
        aria-level={person.depth + 1}
        aria-selected={current}
        aria-label={`${person.name} ${person.jobTitle}${has ? `, ${t('{{count}} people below', { count: person.below })}` : ''}`}
        {...(has ? { 'aria-expanded': open } : {})}
        tabIndex={current ? 0 : -1}
        className="cursor-pointer outline-none group"
        onFocus={() => !current && onAt(person.id)}
        onClick={() => void navigate(`/people/${person.id}`)}
      >
        <rect
          width={CHART.boxWidth}
          height={CHART.boxHeight}
          className={`fill-sheet ${current ? 'stroke-ink stroke-2 group-focus-visible:stroke-petrol group-focus-visible:stroke-3' : 'stroke-edge group-hover:stroke-ink'}`}
        />
        <svg width={CHART.boxWidth - (has ? 44 : 4)} height={CHART.boxHeight} aria-hidden>
          <text x={10} y={18} className="text-sm font-semibold fill-ink">
            {`${person.name} `}
          </text>
          <text x={10} y={35} className="text-xs fill-soft">
            {person.jobTitle}
          </text>
        </svg>
      </g>
      {has && (
        <g className="cursor-pointer" onClick={() => onToggle(person.id)} aria-hidden>
          <rect x={CHART.boxWidth - 42} y={0} width={42} height={CHART.boxHeight} className="fill-wash stroke-edge hover:stroke-ink" />
          <text x={CHART.boxWidth - 21} y={19} textAnchor="middle" className="text-xs fill-ink tabular-nums">
            {person.below}
          </text>
          <text x={CHART.boxWidth - 21} y={35} textAnchor="middle" className="text-sm fill-petrol font-semibold">
            {open ? '−' : '+'}
          </text>
        </g>
      )}
    </g>
  )
}
