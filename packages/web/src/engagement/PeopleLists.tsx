import { OwnerSort, ReaderSort, type CountedFigure, type Owner, type Reader } from '@jackdaw/contracts/engagement'
import type { PersonId } from '@jackdaw/core/shared'
import { Link } from 'react-router'
import { Figure } from '../records/Figure'
import { lengthOf, Loaded, Pager, Table, type Sort } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { daysIn, pageAt, rowsAt, scopeIn, type Look, type Looking } from './looking'
import { LookedAtOnly } from './LookingBar'
import { useOwners, useReaders } from './queries'

type Listed = { search: Looking; page: number; set: Look }
/** By what a list is ordered, and how that changes: figures begin with the most. */
function orderOf<By extends string>(
  by: By,
  { direction = 'down' }: Looking,
  set: Look,
): { sort: Sort<By>; onSort: (next: Sort<By>) => void } {
  return {
    sort: { by, down: direction === 'down' },
    onSort: (next) =>
      set({
        sort: next.by,
        direction: next.by !== by ? (next.by === 'name' ? 'up' : 'down') : next.down ? 'down' : 'up',
      } as Parameters<Look>[0]),
  }
}
type Row = { person: { id: PersonId; name: string } }
/** A column of figures, each of which leads to what it counts. */
const counted = <R extends Row, F extends CountedFigure & keyof R & string>(
  search: Looking,
  as: 'person' | 'owner',
  figure: F,
  head: string,
): Column<R & Record<F, number>, F> => ({
  id: figure,
  head,
  sort: figure,
  className: 'tabular-nums',
  cell: (row) => (
    <Figure n={row[figure]} to={rowsAt(search, figure, { ...daysIn(search), [as]: row.person.id })} label={`${head}: ${row.person.name}`} />
  ),
})
const nameTo = <R extends Row>(head: string, to: (row: R) => string): Column<R, 'name'> => ({
  id: 'name',
  head,
  sort: 'name',
  cell: (row) => (
    <Link to={to(row)} className="font-semibold text-base hover:underline">
      {row.person.name}
    </Link>
  ),
})

/** A length of time that leads to the days of which it is made. */
function TimeSpent({ ms, to, name }: { ms: number; to: string; name: string }) {
  if (ms === 0) return <span className="text-soft">–</span>
  return (
    <Link to={to} aria-label={`${lengthOf(ms)}: ${name}`} className="underline underline-offset-3">
      {lengthOf(ms)}
    </Link>
  )
}

/** Who uses what there is, and how much. */
export function Readers({ search, page, set }: Listed) {
  const { t } = useTexts()
  const sort = ReaderSort.safeParse(search.sort).data ?? 'views'
  const query = useReaders({ ...daysIn(search), ...scopeIn(search), sort, direction: search.direction, page })
  const only = { sort: undefined, direction: undefined, department: undefined, site: undefined, team: undefined }
  const columns: Column<Reader, ReaderSort>[] = [
    nameTo(t('Who'), (row) => pageAt('/engagement', { ...search, ...only, by: 'used', person: row.person.id })),
    counted<Reader, 'views'>(search, 'person', 'views', t('Views')),
    counted<Reader, 'things'>(search, 'person', 'things', t('Different things')),
    counted<Reader, 'finished'>(search, 'person', 'finished', t('Finished')),
    {
      id: 'time',
      head: t('Time spent'),
      sort: 'time',
      line: true,
      cell: (row) => (
        <TimeSpent ms={row.activeMs} to={rowsAt(search, 'time', { ...daysIn(search), person: row.person.id })} name={row.person.name} />
      ),
    },
  ]
  return (
    <Loaded query={query}>
      {({ rows, total, pageSize, ...of }) => (
        <div className="pb-8">
          <LookedAtOnly {...{ of, search, set }} />
          <Table<Reader, ReaderSort>
            label={t('Who uses it')}
            {...{ rows, columns }}
            keyOf={(row) => row.person.id}
            {...orderOf(sort, search, set)}
            empty={<p className="py-6">{t('Nobody used any of it in these days.')}</p>}
          />
          <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
        </div>
      )}
    </Loaded>
  )
}

/** Whose things they are: what came out, and how it was used. */
export function Owners({ search, page, set }: Listed) {
  const { t } = useTexts()
  const sort = OwnerSort.safeParse(search.sort).data ?? 'views'
  const query = useOwners({ ...daysIn(search), ...scopeIn(search), sort, direction: search.direction, page })
  const only = { sort: undefined, direction: undefined, kind: undefined, item: undefined, folder: undefined }
  const columns: Column<Owner, OwnerSort>[] = [
    nameTo(t('Owner'), (row) => pageAt('/engagement', { ...search, ...only, by: 'time', owner: row.person.id })),
    counted<Owner, 'written'>(search, 'owner', 'written', t('Published for the first time')),
    counted<Owner, 'changed'>(search, 'owner', 'changed', t('Further editions')),
    counted<Owner, 'views'>(search, 'owner', 'views', t('Views of what is theirs')),
    counted<Owner, 'people'>(search, 'owner', 'people', t('People reached')),
  ]
  return (
    <Loaded query={query}>
      {({ rows, total, pageSize, ...of }) => (
        <div className="pb-8">
          <LookedAtOnly {...{ of, search, set }} />
          <Table<Owner, OwnerSort>
            label={t('Who writes it')}
            {...{ rows, columns }}
            keyOf={(row) => row.person.id}
            {...orderOf(sort, search, set)}
            empty={<p className="py-6">{t('Nothing came out or was used in these days.')}</p>}
          />
          <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
        </div>
      )}
    </Loaded>
  )
}
