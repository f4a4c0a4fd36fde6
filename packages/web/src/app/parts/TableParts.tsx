import { useMemo, useState } from 'react'
import { Button, Pager, showToast, Table, useChosenRows, type Sort } from '../../ui'
import type { Column } from '../../ui/table/columns'
import { Part } from './Part'

type Crate = { id: string; name: string; trays: number; where: string }
type By = 'name' | 'trays'
const HERBS = ['Basil', 'Chervil', 'Dill', 'Lovage', 'Mint', 'Sorrel', 'Thyme']
const PLACES = ['Bench 2', 'Cold room', 'Packhouse']
const crates = (amount: number): Crate[] =>
  Array.from({ length: amount }, (_, n) => ({
    id: `crate-${n}`,
    name: `${HERBS[n % HERBS.length]} ${n + 1}`,
    trays: (n * 37) % 91,
    where: PLACES[n % PLACES.length] ?? '',
  }))
const COLUMNS: Column<Crate, By>[] = [
  { id: 'name', head: 'Crate', sort: 'name', cell: (row) => <a href={`#${row.id}`}>{row.name}</a> },
  { id: 'trays', head: 'Trays', sort: 'trays', className: 'tabular-nums', cell: (row) => row.trays },
  { id: 'where', head: 'Stands', from: 'sm', cell: (row) => row.where },
]
const keyOf = (row: Crate) => row.id

/** A table of crates; `choosable`: to be worked on together. */
function Crates({ amount, choosable }: { amount: number; choosable: boolean }) {
  const [sort, setSort] = useState<Sort<By>>({ by: 'name', down: false })
  const all = useMemo(() => crates(amount), [amount])
  const rows = useMemo(() => {
    const order = (a: Crate, b: Crate) => (sort.by === 'trays' ? a.trays - b.trays : a.name.localeCompare(b.name))
    return [...all].sort((a, b) => (sort.down ? order(b, a) : order(a, b)))
  }, [all, sort])
  const chosen = useChosenRows(useMemo(() => rows.map(keyOf), [rows]))
  return (
    <Table
      label={`${amount} crates`}
      {...{ rows, keyOf, columns: COLUMNS, sort }}
      onSort={setSort}
      choosing={choosable ? { chosen, nameOf: (row) => row.name } : undefined}
      actions={<Button onClick={() => showToast(`${chosen.keys.size} crates are washed`, () => chosen.none())}>Wash them</Button>}
      empty={<p>Crates stand here once there are some.</p>}
    />
  )
}

export function TableParts() {
  const [page, setPage] = useState(2)
  return (
    <>
      <Part name="Table">
        <Crates amount={6} choosable />
      </Part>
      <Part name="Table without rows">
        <Crates amount={0} choosable={false} />
      </Part>
      <Part name="Pages of a list">
        <Pager page={page} pageSize={20} total={65} onPage={setPage} />
      </Part>
      <Part name="Table of 5,000 rows">
        <Crates amount={5_000} choosable />
      </Part>
    </>
  )
}
