import { UsedSort, type UsedItem } from '@jackdaw/contracts/engagement'
import { itemKey } from '@jackdaw/core/items'
import { Link } from 'react-router'
import { namedItem } from '../items'
import { Figure } from '../records/Figure'
import { dayAndYearOf, Loaded, Pager, percentOf, Table, whenOf } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { daysIn, pageAt, rowsAt, scopeIn, type Look, type Looking } from './looking'
import { LookedAtOnly } from './LookingBar'
import { useUsedItems } from './queries'

/** What is used most and least, whose readers finish, and what takes longer than it should. */
export function UsedItems({ search, page, set }: { search: Looking; page: number; set: Look }) {
  const { t } = useTexts()
  const { direction = 'down' } = search
  const sort = UsedSort.safeParse(search.sort).data ?? 'views'
  const days = daysIn(search)
  const query = useUsedItems({ ...days, ...scopeIn(search), sort, direction, page })
  const columns = useColumns(search)
  return (
    <Loaded query={query}>
      {({ rows, total, pageSize, span, ...of }) => (
        <div className="pb-8">
          <LookedAtOnly {...{ of, search, set }} />
          <p className="text-sm text-soft pb-2">
            {t('What is published now, with how it was used from {{from}} to {{to}}. Guests are not counted.', {
              from: dayAndYearOf(span.from),
              to: dayAndYearOf(span.to),
            })}
          </p>
          <Table<UsedItem, UsedSort>
            label={t('What is used')}
            {...{ rows, columns }}
            keyOf={(row) => itemKey(row.item)}
            sort={{ by: sort, down: direction === 'down' }}
            onSort={(next) =>
              set({ sort: next.by, direction: sort !== next.by && next.by !== 'title' ? 'down' : next.down ? 'down' : 'up' })
            }
            empty={<p className="py-6">{t('Nothing of the kind is published.')}</p>}
          />
          <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
        </div>
      )}
    </Loaded>
  )
}

function useColumns(search: Looking): Column<UsedItem, UsedSort>[] {
  const { t } = useTexts()
  const days = daysIn(search)
  const counted = (figure: 'views' | 'people' | 'finishers', head: string, from?: 'sm'): Column<UsedItem, UsedSort> => ({
    ...(from ? { from } : {}),
    id: figure,
    head,
    sort: figure,
    className: 'tabular-nums',
    cell: (row) => <Figure n={row[figure]} to={rowsAt(search, figure, { ...days, item: row.item.id })} label={`${head}: ${row.title}`} />,
  })
  const alone = ({ item }: UsedItem) =>
    pageAt('/engagement', {
      ...search,
      by: 'time',
      item: item.id,
      kind: undefined,
      folder: undefined,
      owner: undefined,
      sort: undefined,
      direction: undefined,
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
      id: 'title',
      head: t('What'),
      sort: 'title',
      cell: (row) => (
        <Link to={alone(row)} className="font-semibold text-base hover:underline">
          {row.title}
        </Link>
      ),
    },
    { id: 'newest', head: t('Came out'), from: 'lg', sort: 'newest', className: 'whitespace-nowrap', cell: ({ since }) => whenOf(since) },
    counted('views', t('Views')),
    counted('people', t('People')),
    counted('finishers', t('Of them finished'), 'sm'),
    {
      id: 'share',
      head: t('Share who finish'),
      sort: 'share',
      className: 'tabular-nums',
      cell: (row) => <Share row={row} />,
    },
    {
      id: 'time',
      head: t('Minutes a view / said'),
      from: 'lg',
      sort: 'time',
      className: 'tabular-nums',
      cell: (row) =>
        row.minutesEach === null ? (
          <span className="text-soft">–</span>
        ) : (
          <Link
            to={rowsAt(search, 'time', { ...days, item: row.item.id })}
            aria-label={t('{{n}} / {{said}} minutes: {{title}}', { n: row.minutesEach, said: row.minutes, title: row.title })}
            className="underline underline-offset-3"
          >
            {t('{{n}} / {{said}}', { n: row.minutesEach, said: row.minutes })}
          </Link>
        ),
    },
  ]
}

/** How many of those who came to it finished it, of a hundred. */
function Share({ row: { people, finishers } }: { row: UsedItem }) {
  if (people === 0) return <span className="text-soft">–</span>
  return (
    <span className="inline-flex items-center gap-2">
      <span className="w-20 h-2 bg-hair hidden md:inline-block" aria-hidden>
        <span className="block h-full bg-petrol" style={{ width: `${(100 * finishers) / people}%` }} />
      </span>
      {percentOf(finishers / people)}
    </span>
  )
}
