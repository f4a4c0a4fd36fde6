import type { ReactNode } from 'react'

/** A column of a table. `hidden`: its heading is for screen readers only; `from`: the width of the window from which it is shown; `sort`: what
 * the list is ordered by when its heading is pressed. */
export type Column<Row, By extends string> = {
  id: string
  head: string
  hidden?: true
  from?: keyof typeof FROM
  sort?: By
  className?: string
  cell: (row: Row) => ReactNode
}

const FROM = { sm: 'hidden sm:table-cell', md: 'hidden md:table-cell', lg: 'hidden lg:table-cell', xl: 'hidden xl:table-cell' } as const

/** The classes that show a column, or hide it in narrow windows. */
export const shownFrom = ({ from, className = '' }: Pick<Column<never, never>, 'from' | 'className'>): string =>
  `${from ? FROM[from] : ''} ${className}`
