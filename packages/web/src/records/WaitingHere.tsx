import { TextLink } from '../ui'
import type { WaitingHere as Waiting } from '@jackdaw/contracts/records'
import { Link } from 'react-router'
import { useMe } from '../people'
import { useTexts } from '../ui/words/texts'
import { useWaitingHere } from './queries'

/** On the first page of whoever leads, or to whom people report: what waits in the company, or among their people. */
export function WaitingHere() {
  const { t } = useTexts()
  const me = useMe()
  const asked = me.hasReports || me.permissions.includes('records.all')
  const waiting = useWaitingHere(asked).data
  if (!waiting || waiting.latePeople + waiting.notReady.length + waiting.clashes.length === 0) return null
  return (
    <section aria-labelledby="waits" className="mb-8">
      <h2 id="waits" className="text-lg mb-1">
        {waiting.everybody ? t('Waits in the company') : t('Waits among your people')}
      </h2>
      <ul className="bg-sheet border-t-2 border-ink">
        {waiting.latePeople > 0 && (
          <li className="border-b border-hair">
            <Link to="/records?by=people&state=late" className="block px-4 py-2.5 hover:bg-wash text-brick font-semibold">
              ▲ {t('{{count}} people are late with something', { count: waiting.latePeople })}
            </Link>
          </li>
        )}
        <Clashes clashes={waiting.clashes} />
        <NotReady drafts={waiting.notReady} />
      </ul>
    </section>
  )
}

const LINE = 'block px-4 py-2.5 border-b border-hair'
const SUMMARY = 'cursor-pointer font-semibold'

function Clashes({ clashes }: Pick<Waiting, 'clashes'>) {
  const { t } = useTexts()
  if (clashes.length === 0) return null
  return (
    <li className={LINE}>
      <details>
        <summary className={SUMMARY}>
          {t('{{count}} drafts in which changes met and wait for a decision', { count: clashes.length })}
        </summary>
        <ul className="pl-4">
          {clashes.map(({ id, title, personId, person }) => (
            <li key={`${id} ${personId}`} className="py-1">
              <TextLink to={`/guides/${id}/edit`}>{title}</TextLink>{' '}
              <span className="text-sm text-soft">{t('{{name}} has to decide', { name: person })}</span>
            </li>
          ))}
        </ul>
      </details>
    </li>
  )
}

function NotReady({ drafts }: { drafts: Waiting['notReady'] }) {
  const { t } = useTexts()
  if (drafts.length === 0) return null
  return (
    <li className={LINE}>
      <details>
        <summary className={SUMMARY}>{t('{{count}} drafts with something that is not ready', { count: drafts.length })}</summary>
        <ul className="pl-4">
          {drafts.map(({ id, title, parts }) => (
            <li key={id} className="py-1">
              <TextLink to={`/guides/${id}/edit`}>{title}</TextLink>{' '}
              <span className="text-sm text-soft">{t('{{count}} parts', { count: parts })}</span>
            </li>
          ))}
        </ul>
      </details>
    </li>
  )
}
