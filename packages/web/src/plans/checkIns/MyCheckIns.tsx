import type { CheckInRow } from '@jackdaw/contracts/checkIns'
import type { PersonId } from '@jackdaw/core/shared'
import { Link } from 'react-router'
import { ButtonLink, dayOf, Failed, TextLink } from '../../ui'
import { useTexts, type Texts } from '../../ui/words/texts'
import { useCheckInsOf, useMyCheckIns } from './queries'

/** So many of those that wait stand on Today. */
const MOST = 5

/** The check-ins that wait for one's answers. */
export const MyCheckIns = () => <CheckIns query={useMyCheckIns()} />
/** The same of somebody else, as they see them. */
export const CheckInsOf = ({ personId }: { personId: PersonId }) => <CheckIns query={useCheckInsOf(personId)} />
const CheckIns = ({ query }: { query: { data?: readonly CheckInRow[] | undefined; isError: boolean; error: unknown } }) =>
  query.data ? <Shown rows={query.data} /> : query.isError && <Failed error={query.error} />

/** Whom a check-in is about, to whoever is asked. */
export const aboutWords = (t: Texts['t'], { side, person, other }: CheckInRow): string =>
  side === 'manager' ? t('about {{name}}', { name: person.name }) : other ? t('with {{name}}', { name: other.name }) : t('about you')

function Shown({ rows }: { rows: readonly CheckInRow[] }) {
  const { t } = useTexts()
  const waiting = rows.filter(({ state }) => state === 'waits-for-me')
  if (waiting.length === 0) return null
  return (
    <section aria-labelledby="check-ins" className="mb-8">
      <h2 id="check-ins" className="text-lg mb-1">
        {t('Check-ins')}
      </h2>
      <ul className="bg-sheet border-t-2 border-ink">
        {waiting.slice(0, MOST).map((row) => (
          <li key={row.id} className="border-b border-hair px-4 py-3 flex flex-wrap items-center gap-x-5 gap-y-2">
            <div className="grow basis-60 min-w-0">
              <Link to={`/check-ins/${row.id}`} className="font-serif text-lg leading-6 hover:underline">
                {row.name}, {aboutWords(t, row)}
              </Link>
              <p className="text-sm text-soft">
                {row.plan} · {t('asked on {{day}}', { day: dayOf(row.askedOn) })}
              </p>
            </div>
            <ButtonLink
              to={`/check-ins/${row.id}`}
              className="min-h-11 min-w-24 grow sm:grow-0"
              aria-label={t('Answer {{name}}, {{about}}', { name: row.name, about: aboutWords(t, row) })}
            >
              {t('Answer')}
            </ButtonLink>
          </li>
        ))}
      </ul>
      <p className="text-sm mt-1">
        <TextLink to="/check-ins">
          {waiting.length > MOST ? t('All {{count}} that wait, and those before', { count: waiting.length }) : t('All check-ins')}
        </TextLink>
      </p>
    </section>
  )
}
