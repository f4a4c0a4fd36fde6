import type { UseOverTime } from '@jackdaw/contracts/engagement'
import { Suspense } from 'react'
import { dayAndYearOf, lazyPart, Loaded, numberOf, Waiting } from '../ui'
import { useTexts } from '../ui/words/texts'
import { figureWords } from './figureWords'
import { Ledger } from './Ledger'
import { daysIn, rowsAt, scopeIn, type Look, type Looking } from './looking'
import { isKnown, opensIn } from './keptDays'
import { LookedAtOnly } from './LookingBar'
import { useOverTime } from './queries'

const Chart = lazyPart(async () => (await import('../ui/chart/Chart')).Chart)

/** How much is used, as figures and one of them over time. */
export function OverTime({ search, set }: { search: Looking; set: Look }) {
  const { compare = 'before', unit = 'day' } = search
  const query = useOverTime({ ...daysIn(search), ...scopeIn(search), by: unit, ...(compare === 'none' ? {} : { compare }) })
  return (
    <Loaded query={query}>
      {(found) => (
        <>
          <LookedAtOnly of={found} together={found.together} {...{ search, set }} />
          <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-8 pb-8">
            <Ledger looking={search} found={found} shown={search.shown ?? 'views'} onShow={(shown) => set({ shown })} />
            <div className="mt-6 lg:mt-0">
              <FigureOverTime search={search} found={found} />
            </div>
          </div>
        </>
      )}
    </Loaded>
  )
}

/** One figure, period by period, with the days from before beside it. */
export function FigureOverTime({ search, found }: { search: Looking; found: UseOverTime }) {
  const { t } = useTexts()
  const { shown = 'views' } = search
  const { now, before, unit } = found
  const words = figureWords(t)[shown]
  const name = { day: t('by day'), week: t('by week'), month: t('by month') }[unit]
  const span = { from: dayAndYearOf(now.span.from), to: dayAndYearOf(now.span.to) }
  const lines = [now, ...(before ? [before] : [])]
  const periodAt = (line: number, place: number) => lines[line]?.periods[place]?.span ?? now.span
  return (
    <>
      <Suspense fallback={<Waiting what={t('The chart is coming …')} />}>
        <Chart
          as="flows"
          title={`${words.name}, ${name}`}
          head={t('From')}
          says={t('{{figure}} from {{from}} to {{to}}: {{n}}', { figure: words.name, ...span, n: numberOf(now.whole[shown]) })}
          file={`${shown}-${now.span.from}-${now.span.to}`}
          along={now.periods.map((period) => period.span.from)}
          written={dayAndYearOf}
          lines={lines.map((line, n) => ({
            name: n === 0 ? t('these days') : t('before'),
            values: line.periods.map(({ span: { from }, figures }) => (isKnown(found, shown, from) ? figures[shown] : null)),
          }))}
          opens={(line, place) => {
            const period = periodAt(line, place)
            return opensIn(found, shown, period.from) ? rowsAt(search, shown, period) : null
          }}
        />
      </Suspense>
      <p className="text-sm text-soft mt-3">
        {words.counts} {t('From {{from}} to {{to}}. A day is that of the place where each person works.', span)}{' '}
        {before && t('Beside it {{from}} to {{to}}.', { from: dayAndYearOf(before.span.from), to: dayAndYearOf(before.span.to) })}{' '}
        {unit !== (search.unit ?? 'day') && t('Over so many days they are put together.')}
      </p>
    </>
  )
}
