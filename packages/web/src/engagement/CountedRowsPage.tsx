import type { CountedRow } from '@jackdaw/contracts/engagement'
import { Link } from 'react-router'
import { WAYS } from '@jackdaw/core/ways'
import { namedItem, recordsOf } from '../items'
import { dayAndYearOf, Loaded, momentOf, numberOf, Pager, Table, TitleLine, useSearch } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { figureWords } from './figureWords'
import { daysIn, LOOKING, pageAt, scopeIn, type Look } from './looking'
import { LookedAtOnly, LookingBar } from './LookingBar'
import { useCountedRows } from './queries'

/** What a figure counts, row by row. */
export function CountedRowsPage() {
  const { t } = useTexts()
  const { search, page, set } = useSearch(LOOKING)
  const { figure = 'views' } = search
  const words = figureWords(t)[figure]
  const query = useCountedRows({ ...daysIn(search), ...scopeIn(search), figure, page })
  const columns = useColumns()
  return (
    <>
      <title>{t('{{figure}} – Jackdaw', { figure: words.name })}</title>
      <Loaded query={query}>
        {({ rows, total, pageSize, span, item, owner, everybody }) => (
          <>
            <TitleLine
              where={{ to: pageAt('/engagement', { ...search, figure: undefined }), name: t('Engagement') }}
              title={`${numberOf(total)} · ${words.name}`}
              state={`${words.counts} ${t('From {{from}} to {{to}}. A day is that of the place where each person works.', { from: dayAndYearOf(span.from), to: dayAndYearOf(span.to) })} ${everybody ? '' : t('Of those who report to you.')}`}
            />
            <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
              <LookingBar {...{ search, set }} inTime={false} />
              <LookedAtOnly {...{ item, owner }} set={set as Look} />
              <Table<CountedRow & { n: number }>
                label={words.name}
                rows={rows.map((row, n) => ({ ...row, n }))}
                columns={columns.filter(({ has }) => rows.some(has))}
                keyOf={({ n }) => `${page} ${n}`}
                empty={<p className="py-6">{t('There is nothing of the kind in these days.')}</p>}
              />
              <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
            </div>
          </>
        )}
      </Loaded>
    </>
  )
}

/** The columns that rows can have; only those are shown in which any row has something. */
function useColumns(): (Column<CountedRow> & { has: (row: CountedRow) => boolean })[] {
  const { t } = useTexts()
  return [
    { id: 'at', head: t('When'), line: true, has: () => true, cell: ({ at }) => momentOf(at) },
    {
      id: 'person',
      head: t('Who'),
      has: ({ person }) => person !== null,
      cell: ({ person }) =>
        person && (
          <Link to={`/records/people/${person.id}`} className="font-semibold hover:underline">
            {person.name}
          </Link>
        ),
    },
    {
      id: 'item',
      head: t('What'),
      has: ({ item }) => item !== null,
      cell: ({ item }) =>
        item && (
          <Link to={recordsOf(item.ref)} className="hover:underline">
            <span className="text-soft">{namedItem(t, item.ref, item.number)}</span> {item.title}
          </Link>
        ),
    },
    { id: 'edition', head: t('Edition'), from: 'sm', has: ({ edition }) => edition !== null, cell: ({ edition }) => edition },
    { id: 'way', head: t('How'), from: 'sm', has: ({ way }) => way !== null, cell: ({ way }) => way && t(WAYS[way].name) },
    { id: 'views', head: t('Views'), has: ({ views }) => views !== null, cell: ({ views }) => views },
  ]
}
