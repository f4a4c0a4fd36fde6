import { Tickbox } from '../fields/Check'
import { TextButton } from '../TextLink'
import { Suspense, type KeyboardEvent, type ReactNode } from 'react'
import { lazyPart } from '../lazyPart'
import { SortHead, type Sort } from './SortHead'
import { useTexts } from '../words/texts'
import { headClass } from './columns'
import { TableRow, type RowsOf } from './TableRow'

/** From how many rows on only those near the window are drawn. */
const LONG = 200
const LongRows = lazyPart(async () => (await import('./LongRows')).LongRows) as unknown as <Row, By extends string>(
  of: RowsOf<Row, By>,
) => ReactNode

const IN_ROW = 'a[href], button, input'

/** Up and down go to the same thing in the row above or below. */
function toNextRow(event: KeyboardEvent<HTMLTableElement>): void {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  const here = (event.target as Element).closest('tr')
  if (!by || !here?.dataset['index'] || event.defaultPrevented) return
  const at = [...here.querySelectorAll(IN_ROW)].indexOf(event.target as Element)
  const next = event.currentTarget.querySelector(`tr[data-index="${Number(here.dataset['index']) + by}"]`)
  const things = next ? [...next.querySelectorAll<HTMLElement>(IN_ROW)] : []
  const thing = things[Math.min(at, things.length - 1)]
  if (!thing) return
  event.preventDefault()
  thing.focus()
  thing.scrollIntoView({ block: 'nearest' })
}

type Ordered<By extends string> = { sort: Sort<By>; onSort: (sort: Sort<By>) => void }

/** A list as a table: columns that can be ordered, rows that can be chosen to be worked on together, by hand and by keyboard. `empty` stands
 * there when it has no rows. `actions`: what can be done with those chosen, in the bar at the bottom. */
export function Table<Row, By extends string = never>({
  label,
  sort,
  onSort,
  empty,
  actions,
  ...of
}: RowsOf<Row, By> & {
  label: string
  empty: ReactNode
  actions?: ReactNode
} & ([By] extends [never] ? Partial<Ordered<By>> : Ordered<By>)) {
  const { rows, columns, choosing } = of
  if (rows.length === 0) return <>{empty}</>
  const long = rows.length > LONG
  const body = rows.slice(0, LONG).map((row, index) => <TableRow key={of.keyOf(row)} row={row} index={index} {...of} />)
  return (
    <>
      {/* Whoever comes to its rows by keyboard can see all of them; else the table itself can be come to. */}
      <div className="overflow-x-auto" {...(choosing ? {} : { role: 'region', 'aria-label': label, tabIndex: 0 })}>
        <table aria-label={label} aria-rowcount={rows.length + 1} className="w-full text-sm" onKeyDown={toNextRow}>
          <thead className="border-b-2 border-ink">
            <tr>
              {choosing && <AllBox {...of} />}
              {columns.map((column) =>
                column.sort && sort && onSort ? (
                  <SortHead key={column.id} by={column.sort} sort={sort} onSort={onSort} className={headClass(column)}>
                    {column.head}
                  </SortHead>
                ) : (
                  <th key={column.id} scope="col" className={`text-left py-1.5 pr-4 font-semibold ${headClass(column)}`}>
                    {column.hidden ? <span className="sr-only">{column.head}</span> : column.head}
                  </th>
                ),
              )}
            </tr>
          </thead>
          {long ? (
            <Suspense fallback={<tbody>{body}</tbody>}>
              <LongRows {...of} />
            </Suspense>
          ) : (
            <tbody>{body}</tbody>
          )}
        </table>
      </div>
      {choosing && <ChosenBar {...of}>{actions}</ChosenBar>}
    </>
  )
}

/** Chooses all rows, or none. */
function AllBox<Row, By extends string>({ rows, choosing }: RowsOf<Row, By>) {
  const { t } = useTexts()
  if (!choosing) return null
  const { chosen, nameOf } = choosing
  const most = rows.filter((row) => nameOf(row) !== null).length
  const all = most > 0 && chosen.keys.size === most
  return (
    <th scope="col" className="w-9 text-left">
      <label className="inline-flex size-8 items-center justify-center">
        <Tickbox
          aria-label={t('Choose all')}
          checked={all}
          disabled={most === 0}
          ref={(box) => {
            if (box) box.indeterminate = !all && chosen.keys.size > 0
          }}
          onChange={() => (all ? chosen.none() : chosen.all())}
        />
      </label>
    </th>
  )
}

/** How many rows are chosen, and what can be done with them; at the bottom of the window, above the areas of a phone. */
function ChosenBar<Row, By extends string>({ choosing, children }: RowsOf<Row, By> & { children: ReactNode }) {
  const { t } = useTexts()
  const count = choosing?.chosen.keys.size ?? 0
  if (!choosing || count === 0) return null
  return (
    <div
      role="region"
      aria-label={t('What is chosen')}
      className="sticky bottom-14 md:bottom-0 z-10 bg-sheet border-t-2 border-ink py-2 flex flex-wrap items-center gap-2"
    >
      <span className="font-semibold mr-2" aria-live="polite">
        {t('{{count}} chosen', { count })}
      </span>
      {children}
      <TextButton className="min-h-9 px-2 ml-auto" onClick={choosing.chosen.none}>
        {t('Choose none')}
      </TextButton>
    </div>
  )
}
