import type { ReactNode } from 'react'

/** A column of a table. `hidden`: its heading is for screen readers only; `from`: the width of the window from which it is shown; `sort`: what
 * the list is ordered by when its heading is pressed; `line`: its words stay on one line. */
export type Column<Row, By extends string = never> = {
  id: string
  head: string
  hidden?: true
  from?: keyof typeof FROM
  sort?: By
  line?: true
  className?: string
  cell: (row: Row) => ReactNode
}

const FROM = { sm: 'hidden sm:table-cell', md: 'hidden md:table-cell', lg: 'hidden lg:table-cell', xl: 'hidden xl:table-cell' } as const

/** The classes of a heading, and of the cells under it: in narrow windows some are not shown. */
export const headClass = ({ from, line }: Pick<Column<never>, 'from' | 'line'>): string =>
  `${from ? FROM[from] : ''} ${line ? 'whitespace-nowrap' : ''}`
export const cellClass = (column: Pick<Column<never>, 'from' | 'line' | 'className'>): string =>
  `py-2 pr-4 ${headClass(column)} ${column.className ?? ''}`
