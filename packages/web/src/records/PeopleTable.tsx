import { HandleDialog, type HandlingKind } from '../assignments'
import { Button, dayOf, lengthOf, momentOf, type Sort, StateMark, Table, useChosenRows, whenOf } from '../ui'
import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { partsSeenOf, recordOfPerson } from '../items'
import { SCREEN_COLUMNS, type ScreenColumn } from '@jackdaw/contracts/recordColumns'
import { useMemo, useState, type ReactNode } from 'react'
import { WhoSort, type PersonRecord } from '@jackdaw/contracts/records'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { Link } from 'react-router'
import { Claimed } from './Claimed'
import { WaysUsedWords } from './WaysUsedWords'

const keyOf = (row: PersonRecord): string => row.personId
type CellProps = { row: PersonRecord; item: ItemRef }
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
  state: ({ row, item }) => (
    <>
      <Link to={recordOfPerson(row.personId, item)} className="hover:underline">
        <StateMark state={row.state} dueOn={row.dueOn} />
      </Link>
      <Claimed record={row} />
      {row.waivedWhy !== null && <span className="block text-xs text-soft">{row.waivedWhy}</span>}
    </>
  ),
  due: ({ row }) => (row.dueOn && row.state !== 'done' && row.state !== 'waived' ? dayOf(row.dueOn) : '–'),
  seen: ({ row }) => `${Math.min(row.seen, row.parts)} / ${row.parts}`,
  time: ({ row }) => lengthOf(row.activeMs),
  last: ({ row }) => <When at={row.lastAt} />,
  finished: ({ row }) => <When at={row.finishedAt} />,
  ways: ({ row, item }) => <WaysUsedWords ways={row.ways} to={recordOfPerson(row.personId, item)} none="–" />,
}

/** Columns that only say something of what people go through step by step. */
const OF_STEPS: ReadonlySet<ScreenColumn['id']> = new Set(['seen', 'time', 'ways'])
/** How each column of the list is shown. */
const useColumns = (item: ItemRef): Column<PersonRecord, WhoSort>[] => {
  const { t } = useTexts()
  const hasSteps = partsSeenOf(t, item, 0, 0) !== null
  return SCREEN_COLUMNS.filter(({ id }) => hasSteps || !OF_STEPS.has(id)).map((column) => {
    const Cell = CELLS[column.id]
    return {
      id: column.id,
      head: t(column.name),
      ...('sort' in column ? { sort: column.sort } : {}),
      ...(column.id === 'name' || column.id === 'state' || column.id === 'ways' ? {} : { line: true as const }),
      cell: (row) => <Cell {...{ row, item }} />,
    }
  })
}

/** The people of an item. @param empty what is said when there is nobody; @param mayAssign whether their assignments can be handled */
export function PeopleTable({
  item,
  rows,
  sort,
  empty,
  mayAssign,
  onSort,
}: {
  item: ItemRef
  rows: PersonRecord[]
  sort: Sort<WhoSort>
  empty: ReactNode
  mayAssign: boolean
  onSort: (sort: Sort<WhoSort>) => void
}) {
  const { t } = useTexts()
  const columns = useColumns(item)
  const chosen = useChosenRows(useMemo(() => rows.filter(({ assigned }) => assigned).map(keyOf), [rows]))
  const [handling, setHandling] = useState<{ kind: HandlingKind; people: PersonId[] } | null>(null)
  const several = rows.filter((row) => chosen.keys.has(row.personId))
  const ask = (kind: HandlingKind) => setHandling({ kind, people: several.map(({ personId }) => personId) })
  return (
    <>
      <Table
        label={t('People')}
        {...{ rows, keyOf, columns, sort, onSort, empty }}
        choosing={mayAssign ? { chosen, nameOf: (row) => (row.assigned ? row.name : null) } : undefined}
        actions={
          <>
            <Button onClick={() => ask('move')}>{t('Move the due day …')}</Button>
            <Button onClick={() => ask('remind')}>{t('Remind them …')}</Button>
            <Button onClick={() => ask('waive')}>{t('Waive it …')}</Button>
            {several.some(({ waivedWhy }) => waivedWhy !== null) && (
              <Button onClick={() => ask('end-waiver')}>{t('End the waiver …')}</Button>
            )}
          </>
        }
      />
      {handling && (
        <HandleDialog
          itemId={item.id}
          {...handling}
          onClose={(done) => {
            setHandling(null)
            if (done) chosen.none()
          }}
        />
      )}
    </>
  )
}
