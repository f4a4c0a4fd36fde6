import { dayOf, lengthOf, momentOf, type Sort, StateMark, Table, whenOf } from '../ui'
import { type GuideId } from '@jackdaw/core/shared'
import { SCREEN_COLUMNS, type ScreenColumn } from '@jackdaw/contracts/recordColumns'
import type { ReactNode } from 'react'
import { WhoSort, type PersonRecord } from '@jackdaw/contracts/records'
import type { Column } from '../ui/table/columns'
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

/** What stands in each column. */
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

/** How each column of the list is shown. */
const useColumns = (guideId: GuideId): Column<PersonRecord, WhoSort>[] => {
  const { t } = useTexts()
  return SCREEN_COLUMNS.map((column) => {
    const Cell = CELLS[column.id]
    return {
      id: column.id,
      head: t(column.name),
      ...('sort' in column ? { sort: column.sort } : {}),
      ...(column.id === 'name' || column.id === 'state' || column.id === 'ways' ? {} : { line: true as const }),
      cell: (row) => <Cell {...{ row, guideId }} />,
    }
  })
}

/** The people of a guide. @param empty what is said when there is nobody */
export function PeopleTable({
  guideId,
  rows,
  sort,
  empty,
  onSort,
}: {
  guideId: GuideId
  rows: PersonRecord[]
  sort: Sort<WhoSort>
  empty: ReactNode
  onSort: (sort: Sort<WhoSort>) => void
}) {
  const { t } = useTexts()
  const columns = useColumns(guideId)
  return <Table label={t('People')} keyOf={(row) => row.personId} {...{ rows, columns, sort, onSort, empty }} />
}
