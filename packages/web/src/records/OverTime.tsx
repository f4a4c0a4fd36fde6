import { getOverTime } from '@jackdaw/contracts/records'
import type { ItemId } from '@jackdaw/core/items'
import type { QueryOf } from '@jackdaw/contracts/endpoint'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { Suspense } from 'react'
import { call } from '../api'
import { dayOf, lazyPart, Loaded, Waiting } from '../ui'
import { useTexts } from '../ui/words/texts'

const Chart = lazyPart(async () => (await import('../ui/chart/Chart')).Chart)

/** How far the people of an item were, day by day. */
export function OverTime({ id, among }: { id: ItemId; among: QueryOf<typeof getOverTime> }) {
  const { t } = useTexts()
  const query = useQuery({
    queryKey: ['records', 'over-time', id, among],
    queryFn: ({ signal }) => call(getOverTime, { params: { id }, query: among, signal }),
    placeholderData: keepPreviousData,
  })
  return (
    <Loaded query={query}>
      {({ days }) => {
        const last = days.at(-1)
        if (!last) return <p className="text-soft py-3">{t('Nobody has been given this yet.')}</p>
        return (
          <Suspense fallback={<Waiting what={t('The chart is coming …')} />}>
            <Chart
              as="lines"
              title={t('People at the end of each day')}
              head={t('Day')}
              says={t('From {{from}} to {{to}}: of {{given}} people who have it, {{begun}} have begun and {{done}} are done.', {
                from: dayOf(days[0]?.day ?? last.day),
                to: dayOf(last.day),
                given: last.given,
                begun: last.begun,
                done: last.done,
              })}
              file={`over-time-${last.day}`}
              along={days.map((each) => each.day)}
              written={dayOf}
              lines={[
                { name: t('done'), values: days.map((each) => each.done) },
                { name: t('begun'), values: days.map((each) => each.begun) },
                { name: t('given'), values: days.map((each) => each.given) },
              ]}
            />
          </Suspense>
        )
      }}
    </Loaded>
  )
}
