import { dayOf, lengthOf, momentOf, type Sort, SortHead, StateMark, whenOf } from '../ui'
import { type GuideId } from '@jackdaw/core/shared'
import { SCREEN_COLUMNS, type ScreenColumn } from '@jackdaw/contracts/recordColumns'
import type { ReactNode } from 'react'
import { WhoSort, type PersonRecord } from '@jackdaw/contracts/records'
import { useTexts } from '../ui/words/texts'
import { Link } from 'react-router'
import { Claimed } from './Claimed'
import { WaysUsedWords } from './WaysUsedWords'

type CellProps = { row: PersonRecord; guideId: GuideId }
/** A day in few words; the moment when it is pointed at. */
const When = ({ at }: { at: number | null }) => (at === null ? '–' : <span title={momentOf(at)}>{whenOf(at)}</span>)

function NameCell({ row }: CellProps) {
  const { t } = useTexts()
  return (
    <>
      <Link to={`/records/people/${row.personId}`} className="font-semibold hover:underline">
        {row.name}
      </Link>
      <span className="block text-xs text-soft">
        {row.department}, {row.site}
        {!row.assigned && ` · ${t('not assigned')}`}
      </span>
    </>
  )
}

/** How each column of the list is shown. */
const CELLS: Record<ScreenColumn['id'], (props: CellProps) => ReactNode> = {
  name: NameCell,
  state: ({ row }) => (
    <>
      <StateMark state={row.state} dueOn={row.dueOn} />
      <Claimed record={row} />
    </>
  ),
  due: ({ row }) => (row.dueOn && row.state !== 'done' ? dayOf(row.dueOn) : '–'),
  seen: ({ row }) => `${Math.min(row.seen, row.parts)} / ${row.parts}`,
  time: ({ row }) => lengthOf(row.activeMs),
  last: ({ row }) => <When at={row.lastAt} />,
  finished: ({ row }) => <When at={row.finishedAt} />,
  ways: ({ row, guideId }) => <WaysUsedWords ways={row.ways} to={`/records/people/${row.personId}/guides/${guideId}`} none="–" />,
}

export function PeopleTable({
  guideId,
  rows,
  sort,
  onSort,
}: {
  guideId: GuideId
  rows: PersonRecord[]
  sort: Sort<WhoSort>
  onSort: (sort: Sort<WhoSort>) => void
}) {
  const { t } = useTexts()
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={t('People')}>
      <table className="w-full text-sm">
        <thead className="border-b-2 border-ink">
          <tr>
            {SCREEN_COLUMNS.map((column) =>
              'sort' in column ? (
                <SortHead key={column.id} by={column.sort} sort={sort} onSort={onSort} className="whitespace-nowrap">
                  {t(column.name)}
                </SortHead>
              ) : (
                <th key={column.id} scope="col" className="text-left font-semibold py-1.5 pr-4 whitespace-nowrap">
                  {t(column.name)}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.personId} className="border-b border-hair hover:bg-page">
              {SCREEN_COLUMNS.map(({ id }) => {
                const Cell = CELLS[id]
                return (
                  <td key={id} className={`py-2 pr-4 ${id === 'name' || id === 'state' || id === 'ways' ? '' : 'whitespace-nowrap'}`}>
                    <Cell {...{ row, guideId }} />
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
