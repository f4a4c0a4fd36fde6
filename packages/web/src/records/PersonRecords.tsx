import type { PersonRow } from '@jackdaw/contracts/records'
import { Link } from 'react-router'
import { Loaded, Pager, Table } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { DoneShare } from './CountsBar'
import { Figure } from './Figure'
import type { RecordsFilter } from './ItemRecords'
import { usePersonList } from './queries'

const toPerson = (row: PersonRow): string => `/records/people/${row.id}`

/** How far people are, person by person. */
export function PersonRecords({
  page,
  find,
  filter,
  onPage,
}: {
  page: number
  find: string
  filter: RecordsFilter
  onPage: (page: number) => void
}) {
  const { t } = useTexts()
  const query = usePersonList({ ...filter, page, find: find || undefined })
  const columns: Column<PersonRow>[] = [
    {
      id: 'name',
      head: t('Name'),
      cell: (row) => (
        <Link to={toPerson(row)} className="font-semibold text-base hover:underline">
          {row.name}
        </Link>
      ),
    },
    { id: 'department', head: t('Department'), from: 'md', line: true, cell: (row) => row.department },
    { id: 'site', head: t('Site'), from: 'md', line: true, cell: (row) => row.site },
    { id: 'done', head: t('Done'), line: true, cell: (row) => <DoneShare counts={row.counts} /> },
    {
      id: 'late',
      head: t('Late'),
      cell: (row) => <Figure n={row.counts.late} to={toPerson(row)} label={t('late')} tone="text-brick font-semibold" />,
    },
    {
      id: 'out-of-date',
      head: t('Out of date'),
      from: 'sm',
      cell: (row) => <Figure n={row.counts.outOfDate} to={toPerson(row)} label={t('out of date')} />,
    },
  ]
  return (
    <Loaded query={query}>
      {({ rows, total, pageSize }) => (
        <>
          <p className="text-sm text-soft">{t('{{count}} people', { count: total })}</p>
          <Table label={t('People')} {...{ rows, columns }} keyOf={(row) => row.id} empty={<p className="py-6">{t('Nobody fits.')}</p>} />
          <Pager {...{ page, pageSize, total, onPage }} />
        </>
      )}
    </Loaded>
  )
}
