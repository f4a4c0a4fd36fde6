import { Tickbox } from '../fields/Check'
import type { Ref } from 'react'
import { useTexts } from '../words/texts'
import { cellClass, type Column } from './columns'
import type { ChosenRows } from './useChosenRows'

/** What rows can be chosen for. `nameOf`: what a row is called; nothing where it cannot be chosen. */
type Choosing<Row> = { chosen: ChosenRows; nameOf: (row: Row) => string | null }

/** What the rows of a table have in common. */
export type RowsOf<Row, By extends string> = {
  rows: readonly Row[]
  keyOf: (row: Row) => string
  columns: readonly Column<Row, By>[]
  choosing?: Choosing<Row> | undefined
}

/** A row, with its box to choose it by where it can be chosen. */
export function TableRow<Row, By extends string>({
  row,
  index,
  keyOf,
  columns,
  choosing,
  ref,
}: Omit<RowsOf<Row, By>, 'rows'> & { row: Row; index: number; ref?: Ref<HTMLTableRowElement> }) {
  const { t } = useTexts()
  const key = keyOf(row)
  const name = choosing?.nameOf(row) ?? null
  const isChosen = choosing?.chosen.keys.has(key) ?? false
  return (
    <tr
      ref={ref}
      data-index={index}
      aria-rowindex={index + 2}
      className={`border-b border-hair hover:bg-page ${isChosen ? 'bg-wash' : ''}`}
    >
      {choosing && (
        <td className="w-9 py-1">
          {name !== null && (
            <label className="inline-flex size-8 items-center justify-center">
              <Tickbox
                aria-label={t('Choose {{name}}', { name })}
                checked={isChosen}
                onChange={(event) => choosing.chosen.toggle(key, event.nativeEvent instanceof MouseEvent && event.nativeEvent.shiftKey)}
              />
            </label>
          )}
        </td>
      )}
      {columns.map((column) => (
        <td key={column.id} className={cellClass(column)}>
          {column.cell(row)}
        </td>
      ))}
    </tr>
  )
}
