import type { CheckInRow } from '@jackdaw/contracts/checkIns'
import type { CheckInState } from '@jackdaw/core/plans'
import { Link } from 'react-router'
import { dayOf, Loaded, TitleLine } from '../../ui'
import { useTexts, type Texts } from '../../ui/words/texts'
import { aboutWords } from './MyCheckIns'
import { useMyCheckIns } from './queries'

const headOf = (t: Texts['t'], state: CheckInState): string =>
  ({
    'waits-for-me': t('Waits for your answers'),
    'waits-for-other': t('You have answered; the other has not'),
    both: t('Answered by both'),
    closed: t('Not asked any more'),
  })[state]
const ORDER: readonly CheckInState[] = ['waits-for-me', 'waits-for-other', 'both', 'closed']

/** All check-ins of one's own, and of those beside whom one answers. */
export function CheckInsPage() {
  const { t } = useTexts()
  return (
    <>
      <title>{t('Check-ins – Jackdaw')}</title>
      <TitleLine
        where={{ to: '/', name: t('Today') }}
        title={t('Check-ins')}
        state={t('What you are asked in plans, and what both have answered')}
      />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-4">
        <Loaded query={useMyCheckIns()}>
          {(rows) =>
            rows.length === 0 ? (
              <p>{t('You have not been asked yet. Check-ins belong to plans; what waits for your answers stands on Today.')}</p>
            ) : (
              <div className="max-w-3xl space-y-8">
                {ORDER.map((state) => (
                  <Part key={state} title={headOf(t, state)} rows={rows.filter((row) => row.state === state)} />
                ))}
              </div>
            )
          }
        </Loaded>
      </div>
    </>
  )
}

function Part({ title, rows }: { title: string; rows: readonly CheckInRow[] }) {
  const { t } = useTexts()
  if (rows.length === 0) return null
  return (
    <section aria-label={title}>
      <h2 className="text-lg mb-1">{title}</h2>
      <ul className="border-t border-hair">
        {rows.map((row) => (
          <li key={row.id} className="border-b border-hair py-2.5 min-h-11">
            <Link to={`/check-ins/${row.id}`} className="font-semibold hover:underline">
              {row.name}, {aboutWords(t, row)}
            </Link>
            <span className="block text-sm text-soft">
              {row.plan} · {dayOf(row.askedOn)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
