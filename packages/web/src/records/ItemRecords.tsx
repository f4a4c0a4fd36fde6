import type { ItemRecord } from '@jackdaw/contracts/records'
import { itemKey, type ItemState } from '@jackdaw/core/items'
import { Link } from 'react-router'
import { namedItem, recordsOf } from '../items'
import { Loaded, Pager, Table, TextLink, whenOf } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { DoneShare } from './CountsBar'
import { Figure } from './Figure'
import type { AmongWhom } from './GroupFilters'
import { useItemRecords } from './queries'

/** Among whom is counted, and in which state they are. */
export type RecordsFilter = AmongWhom & { state: ItemState | undefined }

/** The same people on the page of an item. */
const among = (filter: RecordsFilter, more: Record<string, string>): string =>
  new URLSearchParams(Object.entries({ ...filter, ...more }).flatMap(([key, value]) => (value ? [[key, value]] : []))).toString()

/** How far people are, item by item. */
export function ItemRecords({ page, filter, onPage }: { page: number; filter: RecordsFilter; onPage: (page: number) => void }) {
  const { t } = useTexts()
  const query = useItemRecords({ ...filter, page })
  const columns = useColumns(filter)
  const nothing = Object.values(filter).some(Boolean) ? (
    <p className="py-6">{t('Nobody fits.')}</p>
  ) : (
    <p className="py-6">
      {t('Nothing has been published to anybody yet. Once it is, you see here who has read or done it.')}{' '}
      <TextLink to="/library">{t('Open the library')}</TextLink>
    </p>
  )
  return (
    <Loaded query={query}>
      {({ rows, total, pageSize }) => (
        <>
          <Table label={t('Records')} {...{ rows, columns }} keyOf={(row) => itemKey(row.item)} empty={nothing} />
          <Pager {...{ page, pageSize, total, onPage }} />
        </>
      )}
    </Loaded>
  )
}

function useColumns(filter: RecordsFilter): Column<ItemRecord>[] {
  const { t } = useTexts()
  const to = ({ item }: ItemRecord, more: Record<string, string> = {}) => `${recordsOf(item)}?${among(filter, more)}`
  /** How many are in a state; it leads to them. */
  const counted = (state: ItemState, head: string, label: string, countOf: (row: ItemRecord) => number): Column<ItemRecord> => ({
    id: state,
    head,
    from: 'md',
    cell: (row) => <Figure n={countOf(row)} to={to(row, { state })} label={label} />,
  })
  return [
    {
      id: 'number',
      head: t('No.'),
      from: 'sm',
      className: 'text-soft whitespace-nowrap',
      cell: (row) => namedItem(t, row.item, row.number),
    },
    {
      id: 'item',
      head: t('What'),
      cell: (row) => (
        <Link to={to(row)} className="font-semibold text-base hover:underline">
          {row.title}
        </Link>
      ),
    },
    {
      id: 'done',
      head: t('Done'),
      line: true,
      cell: (row) => (
        <Link
          to={to(row, { state: 'done' })}
          aria-label={t('{{done}} / {{people}} done', { done: row.counts.done, people: row.counts.people })}
        >
          <DoneShare counts={row.counts} />
        </Link>
      ),
    },
    {
      id: 'late',
      head: t('Late'),
      cell: (row) => <Figure n={row.counts.late} to={to(row, { state: 'late' })} label={t('late')} tone="text-brick font-semibold" />,
    },
    counted('due-soon', t('Due soon'), t('due soon'), (row) => row.counts.dueSoon),
    counted('in-progress', t('In progress'), t('in progress'), (row) => row.counts.inProgress),
    counted('not-started', t('Not started'), t('not started'), (row) => row.counts.notStarted),
    counted('waiting', t('Waits'), t('waiting'), (row) => row.counts.waiting),
    counted('out-of-date', t('Out of date'), t('out of date'), (row) => row.counts.outOfDate),
    {
      id: 'last',
      head: t('Last activity'),
      from: 'lg',
      line: true,
      cell: (row) => (row.lastAt === null ? <span className="text-soft">{t('never opened')}</span> : whenOf(row.lastAt)),
    },
  ]
}
