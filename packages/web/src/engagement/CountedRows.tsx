import type { CountedFigure, CountedRow } from '@jackdaw/contracts/engagement'
import { WAYS } from '@jackdaw/core/ways'
import { Link } from 'react-router'
import { namedItem, recordsOf } from '../items'
import { lengthOf, momentOf, Pager, Table } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { figureWords } from './figureWords'

type Numbered = CountedRow & { n: number }
/** The rows that a figure counts, the latest first. */
export function CountedRows({
  figure,
  found: { rows, total, pageSize },
  page,
  onPage,
}: {
  figure: CountedFigure
  found: { rows: readonly CountedRow[]; total: number; pageSize: number }
  page: number
  onPage: (page: number) => void
}) {
  const { t } = useTexts()
  const columns = useColumns()
  return (
    <>
      <Table<Numbered>
        label={figureWords(t)[figure].name}
        rows={rows.map((row, n) => ({ ...row, n }))}
        columns={columns.filter(({ has }) => rows.some(has))}
        keyOf={({ n }) => `${page} ${n}`}
        empty={<p className="py-6">{t('There is nothing of the kind in these days.')}</p>}
      />
      <Pager {...{ page, pageSize, total, onPage }} />
    </>
  )
}

/** The columns that rows can have; only those are shown in which any row has something. */
function useColumns(): (Column<Numbered> & { has: (row: CountedRow) => boolean })[] {
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
      id: 'act',
      head: t('Did'),
      has: ({ act }) => act === 'finished',
      cell: ({ act }) => (act === 'finished' ? t('finished') : t('began')),
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
    {
      id: 'time',
      head: t('Time spent'),
      line: true,
      has: ({ activeMs }) => activeMs !== null,
      cell: ({ activeMs }) => activeMs && lengthOf(activeMs),
    },
    { id: 'views', head: t('Views'), has: ({ views }) => views !== null, cell: ({ views }) => views },
  ]
}
