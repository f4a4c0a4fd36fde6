import type { UsedDay } from '@jackdaw/contracts/engagement'
import { pathOfItem } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { Link } from 'react-router'
import { namedItem } from '../items'
import { useMe } from '../people'
import { dayAndYearOf, lengthOf, Loaded, Pager, Table, TitleLine, useSearch } from '../ui'
import { useIds } from '../ui/search/useIds'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { DaysChoice } from './Choice'
import { KeptNote } from './KeptNote'
import { daysIn, LOOKING } from './looking'
import { useUsedDays } from './queries'

const DAYS = { days: LOOKING.days, from: LOOKING.from, to: LOOKING.to }

/** What one person used when, and how long. */
export function PersonUsePage() {
  const { t } = useTexts()
  const me = useMe()
  const { id } = useIds<{ id: PersonId }>()
  const { search, page, set } = useSearch(DAYS)
  const query = useUsedDays(id, { ...daysIn(search), page })
  const mine = me.id === id
  const columns: Column<UsedDay>[] = [
    { id: 'day', head: t('Day'), line: true, cell: ({ day }) => dayAndYearOf(day) },
    {
      id: 'item',
      head: t('What'),
      cell: ({ item }) => (
        <Link to={pathOfItem(item.ref)} className="font-semibold hover:underline">
          <span className="text-soft font-normal">{namedItem(t, item.ref, item.number)}</span> {item.title}
        </Link>
      ),
    },
    { id: 'views', head: t('Opened'), className: 'tabular-nums', cell: ({ views }) => views || '–' },
    { id: 'finished', head: t('Finished'), from: 'sm', className: 'tabular-nums', cell: ({ finished }) => finished || '–' },
    { id: 'time', head: t('Time spent'), line: true, cell: ({ activeMs }) => lengthOf(activeMs) },
  ]
  return (
    <Loaded query={query}>
      {({ person, span, kept, views, activeMs, rows, total, pageSize }) => (
        <>
          <title>{t('What {{name}} used – Jackdaw', { name: person.name })}</title>
          <TitleLine
            where={{ to: `/records/people/${id}`, name: mine ? t('My records') : person.name }}
            title={mine ? t('What I used') : t('What {{name}} used', { name: person.name })}
            state={t('From {{from}} to {{to}}: opened {{views}} times, {{time}} spent', {
              from: dayAndYearOf(span.from),
              to: dayAndYearOf(span.to),
              views,
              time: lengthOf(activeMs),
            })}
          />
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <div className="flex flex-wrap items-end gap-2 py-2">
              <DaysChoice {...{ search, set }} />
            </div>
            <KeptNote {...{ kept }} />
            {mine && <p className="text-sm text-soft pb-2">{t('You see this, whoever you report to, and those who lead.')}</p>}
            <Table
              label={t('What was used')}
              {...{ rows, columns }}
              keyOf={({ day, item }) => `${day} ${item.ref.id}`}
              empty={<p className="py-6">{t('Nothing was used in these days.')}</p>}
            />
            <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
          </div>
        </>
      )}
    </Loaded>
  )
}
