import { SoughtPart, type Search } from '@jackdaw/contracts/searches'
import { pathOfItem } from '@jackdaw/core/items'
import { GroupId, LocalDate } from '@jackdaw/core/shared'
import { Link } from 'react-router'
import { dayAndYearOf, Loaded, momentOf, numberOf, Pager, Table, TextLink, TitleLine, useSearch } from '../ui'
import { Words } from '../ui/search/searchParts'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { KeptNote } from './KeptNote'
import { daysIn, daysOf, LOOKING, pageAt } from './looking'
import { useSearches } from './soughtQueries'

const SEARCH = {
  days: LOOKING.days,
  from: LocalDate,
  to: LocalDate,
  department: GroupId,
  site: GroupId,
  team: GroupId,
  words: Words,
  part: SoughtPart,
}

/** The searches that a figure counts. */
export function SearchesPage() {
  const { t } = useTexts()
  const { search, page, set } = useSearch(SEARCH)
  const { department, site, team, words = '', part = 'times' } = search
  const query = useSearches({ ...daysIn(search), department, site, team, words, part, page })
  const heads = {
    times: t('Searches'),
    people: t('People who sought it, with what they sought last'),
    nothing: t('Searches that found nothing'),
    opened: t('Searches after which something was opened'),
  }
  const columns: Column<Search>[] = [
    { id: 'at', head: t('When'), line: true, cell: ({ at }) => momentOf(at) },
    {
      id: 'who',
      head: t('Who'),
      cell: ({ person }) => (
        <Link to={`/people/${person.id}`} className="font-semibold hover:underline">
          {person.name}
        </Link>
      ),
    },
    { id: 'words', head: t('Sought'), cell: (row) => row.words },
    { id: 'found', head: t('Found'), className: 'tabular-nums', cell: ({ found }) => numberOf(found) },
    {
      id: 'opened',
      head: t('Opened'),
      cell: ({ opened }) => (opened ? <TextLink to={pathOfItem(opened.ref)}>{opened.title}</TextLink> : '–'),
    },
  ]
  return (
    <Loaded query={query}>
      {({ span, kept, rows, total, pageSize }) => (
        <>
          <title>{t('“{{words}}” – What is sought – Jackdaw', { words })}</title>
          <TitleLine
            where={{
              to: pageAt('/engagement', { ...daysOf(search), department, site, team, by: 'sought' }),
              name: t('What is sought'),
            }}
            title={`${numberOf(total)} · ${heads[part]}`}
            state={t('“{{words}}” and what is near it, from {{from}} to {{to}}', {
              words,
              from: dayAndYearOf(span.from),
              to: dayAndYearOf(span.to),
            })}
          />
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <KeptNote kept={kept} sought />
            <Table label={heads[part]} {...{ rows, columns }} keyOf={({ id }) => id} empty={<p className="py-6">{t('None.')}</p>} />
            <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
          </div>
        </>
      )}
    </Loaded>
  )
}
