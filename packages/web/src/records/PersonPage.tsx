import { useIds } from '../ui/search/useIds'
import { getPersonRecordsCsv } from '@jackdaw/contracts/records'
import { itemKey, pathOfItem } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { Download } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import { Link } from 'react-router'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { recordOfPerson, recordsOf } from '../items'
import { useMe } from '../people'
import { buttonClass, dayOf, lengthOf, Loaded, momentOf, StateMark, TitleLine, whenOf } from '../ui'
import { usePersonRecords } from './queries'
import { Claimed } from './Claimed'
import { WaysUsedWords } from './WaysUsedWords'

/** One person's guides: what they have been given or have opened, and how far they are. */
export function PersonPage() {
  const { t } = useTexts()
  const me = useMe()
  const { id } = useIds<{ id: PersonId }>()
  const query = usePersonRecords(id)
  const mine = me.id === id
  return (
    <Loaded query={query}>
      {({ person, rows }) => (
        <>
          <title>{`${person.name} – ${t('Records')} – Jackdaw`}</title>
          <TitleLine
            {...(mine ? {} : { where: { to: '/records?by=people', name: t('Records') } })}
            title={mine ? t('My records') : person.name}
            state={`${person.department}, ${person.site} · ${t('{{done}} of {{count}} done', { done: rows.filter((row) => row.state === 'done').length, count: rows.length })}`}
          >
            <a className={buttonClass('plain')} href={addressOf(getPersonRecordsCsv, { id })} download>
              <Download size={16} aria-hidden />
              {t('CSV')}
            </a>
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-3">
            {rows.length === 0 ? (
              <p className="py-4">{t('No guide has been given to this person, and they have opened none.')}</p>
            ) : (
              <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={t('Guides')}>
                <table className="w-full text-sm">
                  <thead className="border-b-2 border-ink">
                    <tr>
                      {[t('Guide'), t('State'), t('Due'), t('Steps read'), t('Time reading'), t('Last activity'), t('Finished')].map(
                        (head, index) => (
                          <th
                            key={head}
                            scope="col"
                            className={`text-left font-semibold py-1.5 pr-4 whitespace-nowrap ${index > 3 ? 'hidden md:table-cell' : ''} ${index === 3 ? 'hidden sm:table-cell' : ''}`}
                          >
                            {head}
                          </th>
                        ),
                      )}
                    </tr>
                  </thead>
                  <tbody>
                    {rows.map((row) => (
                      <tr key={itemKey(row.item)} className="border-b border-hair hover:bg-page">
                        <td className="py-2 pr-4 min-w-44">
                          <Link to={mine ? pathOfItem(row.item) : recordsOf(row.item)} className="font-semibold hover:underline">
                            {row.title}
                          </Link>
                          {!row.assigned && <span className="block text-xs text-soft">{t('not assigned')}</span>}
                          <span className="block">
                            <WaysUsedWords ways={row.ways} to={recordOfPerson(id, row.item)} />
                            <Link
                              to={recordOfPerson(id, row.item)}
                              className="text-xs text-petrol underline"
                              aria-label={t('Details: {{title}}', { title: row.title })}
                            >
                              {t('Details')}
                            </Link>
                          </span>
                        </td>
                        <td className="py-2 pr-4">
                          <StateMark state={row.state} dueOn={row.dueOn} />
                          <Claimed record={row} />
                        </td>
                        <td className="py-2 pr-4 whitespace-nowrap">{row.dueOn && row.state !== 'done' ? dayOf(row.dueOn) : '–'}</td>
                        <td className="py-2 pr-4 whitespace-nowrap hidden sm:table-cell">
                          {Math.min(row.seen, row.parts)} / {row.parts}
                        </td>
                        <td className="py-2 pr-4 whitespace-nowrap hidden md:table-cell">{lengthOf(row.activeMs)}</td>
                        <td className="py-2 pr-4 whitespace-nowrap hidden md:table-cell">
                          {row.lastAt === null ? '–' : whenOf(row.lastAt)}
                        </td>
                        <td className="py-2 pr-4 whitespace-nowrap hidden md:table-cell">
                          {row.finishedAt === null ? '–' : `${momentOf(row.finishedAt)}, ${t('edition {{n}}', { n: row.finishedEdition })}`}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            )}
          </div>
        </>
      )}
    </Loaded>
  )
}
