import { StepSort, type TimedStep } from '@jackdaw/contracts/engagement'
import { Link } from 'react-router'
import { Figure } from '../records/Figure'
import { dayAndYearOf, lengthOf, Loaded, Pager, Table } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { daysIn, daysOf, pageAt, visitScopeIn, type Look, type Looking } from './looking'
import { LookedAtOnly } from './LookingBar'
import { useTimedSteps } from './queries'

/** The visits that came to a step. */
export const cameTo = (search: Looking, { guide, stepId }: TimedStep): string => {
  const { department, site, team } = search
  return pageAt(`/engagement/guides/${guide.id}/visits`, {
    ...daysIn(search),
    days: 'own',
    department,
    site,
    team,
    part: 'came',
    step: stepId,
  })
}
/** How many times as long a step takes as reading its words. */
export const timesAsLong = ({ meanMs, readingMs }: TimedStep): string => `${(meanMs / readingMs).toFixed(1)} ×`

/** At which steps people stay longer than reading their words takes. */
export function TimedSteps({ search, page, set }: { search: Looking; page: number; set: Look }) {
  const { t } = useTexts()
  const { direction = 'down' } = search
  const sort = StepSort.safeParse(search.sort).data ?? 'ratio'
  const query = useTimedSteps({ ...daysIn(search), ...visitScopeIn(search), sort, direction, page })
  const columns: Column<TimedStep, StepSort>[] = [
    {
      id: 'step',
      head: t('Step'),
      sort: 'title',
      cell: ({ guide, position, name }) => (
        <>
          <Link
            to={pageAt(`/engagement/guides/${guide.id}`, daysOf(search))}
            className="font-semibold hover:underline"
            aria-label={t('{{title}}, step {{n}}: {{name}}', { title: guide.title, n: position, name })}
          >
            {position}. {name}
          </Link>
          <span className="block text-sm text-soft">{guide.title}</span>
        </>
      ),
    },
    {
      id: 'came',
      head: t('Visits'),
      sort: 'came',
      from: 'sm',
      className: 'tabular-nums',
      cell: (row) => <Figure n={row.came} to={cameTo(search, row)} label={t('came to step {{name}}', { name: row.name })} />,
    },
    {
      id: 'mean',
      head: t('Time there'),
      sort: 'mean',
      className: 'tabular-nums',
      cell: (row) => (
        <Link to={cameTo(search, row)} aria-label={`${lengthOf(row.meanMs)}: ${row.name}`} className="underline underline-offset-3">
          {lengthOf(row.meanMs)}
        </Link>
      ),
    },
    {
      id: 'reading',
      head: t('Its words are read in'),
      from: 'md',
      className: 'tabular-nums',
      cell: ({ readingMs }) => lengthOf(readingMs),
    },
    { id: 'ratio', head: t('Times as long'), sort: 'ratio', className: 'tabular-nums font-semibold', cell: timesAsLong },
  ]
  return (
    <Loaded query={query}>
      {({ rows, total, pageSize, span, ...of }) => (
        <div className="pb-8">
          <LookedAtOnly {...{ of, search, set }} />
          <p className="text-sm text-soft pb-2 max-w-prose">
            {t(
              'How long visits from {{from}} to {{to}} stayed at each step on average, beside how long its words usually take to read. Counted are visits that stayed at all; listed are steps of guides as they are published now, with at least five of these.',
              { from: dayAndYearOf(span.from), to: dayAndYearOf(span.to) },
            )}
          </p>
          <Table<TimedStep, StepSort>
            label={t('What takes long')}
            {...{ rows, columns }}
            keyOf={({ guide, stepId }) => `${guide.id} ${stepId}`}
            sort={{ by: sort, down: direction === 'down' }}
            onSort={(next) =>
              set({ sort: next.by, direction: sort !== next.by ? (next.by === 'title' ? 'up' : 'down') : next.down ? 'down' : 'up' })
            }
            empty={<p className="py-6">{t('No step had five visits in these days.')}</p>}
          />
          <Pager {...{ page, pageSize, total }} onPage={(next) => set({ page: String(next) })} />
        </div>
      )}
    </Loaded>
  )
}
