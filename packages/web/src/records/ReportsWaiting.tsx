import type { PersonShown } from '@jackdaw/contracts/directory'
import { Link } from 'react-router'
import { useMe } from '../people'
import { Face } from '../people/Face'
import { useTexts } from '../ui/words/texts'
import { usePersonList } from './queries'

/** Who reports to somebody, and for those who may see it what waits for each of them. */
export function ReportsWaiting({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const me = useMe()
  const sees = me.permissions.includes('records.all') || me.id === person.id
  const records = usePersonList({ manager: person.id }, sees)
  const countsOf = new Map((records.data?.rows ?? []).map((row) => [row.id, row.counts]))
  if (person.reports.length === 0) return null
  return (
    <section>
      <h2 className="text-lg border-b-2 border-ink mb-2">{t('Reports to {{name}}', { name: person.name })}</h2>
      <ul>
        {person.reports.map((report) => {
          const counts = countsOf.get(report.id)
          return (
            <li key={report.id} className="flex items-center gap-3 py-1.5 border-b border-hair">
              <Face id={report.id} name={report.name} face={report.face} />
              <span className="grow min-w-0">
                <Link to={`/people/${report.id}`} className="hover:underline font-semibold" dir="auto">
                  {report.name}
                </Link>
                <span className="block text-sm text-soft">{report.jobTitle}</span>
              </span>
              {counts && (
                <Link to={`/records/people/${report.id}`} className="text-sm text-right hover:underline tabular-nums">
                  {counts.late > 0 && (
                    <span className="block text-brick font-semibold">
                      <span aria-hidden>▲ </span>
                      {t('{{count}} late', { count: counts.late })}
                    </span>
                  )}
                  <span className="block text-soft">{t('{{done}} of {{all}} done', { done: counts.done, all: counts.people })}</span>
                </Link>
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
}
