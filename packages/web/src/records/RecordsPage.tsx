import { getRecordsCsv } from '@jackdaw/contracts/records'
import { itemKey, ItemState } from '@jackdaw/core/items'
import { Download } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import { Link } from 'react-router'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { useMe } from '../people'
import { Button, buttonClass, FindForm, Loaded, Pager, TitleLine, useSearch, whenOf } from '../ui'
import { DoneShare } from './CountsBar'
import { entriesOf } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { Words } from '../ui/search/searchParts'
import { AMONG, amongIn, GroupFilters, type AmongWhom } from './GroupFilters'
import { recordsOf } from '../items'
import { useItemRecords, usePersonList } from './queries'

type Filter = AmongWhom & { state: ItemState | undefined }

const SEARCH = { ...AMONG, by: z.enum(['guides', 'people']), find: Words, state: ItemState }

export function RecordsPage() {
  const { t } = useTexts()
  const me = useMe()
  const { search, page, set } = useSearch(SEARCH)
  const { by = 'guides', find = '', state } = search
  const tab = (name: 'guides' | 'people', words: string) => (
    <Link
      to={`/records?${new URLSearchParams(entriesOf({ ...search, by: name }))}`}
      aria-current={by === name ? 'page' : undefined}
      className={`px-4 min-h-10 inline-flex items-center border-b-3 ${by === name ? 'border-petrol font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
    >
      {words}
    </Link>
  )
  const all = me.permissions.includes('records.all')
  const filter: Filter = { ...amongIn(search), state }
  const asked = { ...filter, find: (by === 'people' && find) || undefined }
  return (
    <>
      <title>{t('Records – Jackdaw')}</title>
      <TitleLine
        title={t('Records')}
        state={all ? t('Everybody’s reading, counted as it happens') : t('The reading of those who report to you, counted as it happens')}
      >
        <a className={buttonClass('plain')} href={addressOf(getRecordsCsv, {}, asked)} download>
          <Download size={16} aria-hidden />
          {t('CSV of all that is shown')}
        </a>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6">
        <nav aria-label={t('Records by')} className="border-b border-hair mb-2">
          {tab('guides', t('By guide'))}
          {tab('people', t('By person'))}
        </nav>
        <div className="flex flex-wrap items-center gap-2 py-2">
          {by === 'people' && (
            <FindForm
              className="gap-2"
              find={find}
              label={t('Name')}
              placeholder={t('Part of a name')}
              onFind={(words) => set({ find: words })}
            />
          )}
          <GroupFilters {...{ search, set }} states />
          {(Object.values(filter).some(Boolean) || find) && (
            <Button
              look="quiet"
              onClick={() => set({ department: undefined, site: undefined, team: undefined, state: undefined, find: undefined })}
            >
              {t('Show all')}
            </Button>
          )}
        </div>
        {by === 'guides' ? (
          <Guides {...{ page, filter }} onPage={(next) => set({ page: String(next) })} />
        ) : (
          <People {...{ page, find, filter }} onPage={(next) => set({ page: String(next) })} />
        )}
      </div>
    </>
  )
}

const CELL = 'py-2 pr-4 whitespace-nowrap'
const Head = ({ children, className = '' }: { children: string; className?: string }) => (
  <th scope="col" className={`text-left font-semibold py-1.5 pr-4 ${className}`}>
    {children}
  </th>
)
/** A number that leads to the rows which it counts; nothing is shown for none. */
const Figure = ({ n, to, label, tone = '' }: { n: number; to: string; label: string; tone?: string }) =>
  n === 0 ? (
    <span className="text-soft">–</span>
  ) : (
    <Link to={to} aria-label={`${n} ${label}`} className={`underline underline-offset-3 ${tone}`}>
      {n}
    </Link>
  )

function Guides({ page, filter, onPage }: { page: number; filter: Filter; onPage: (page: number) => void }) {
  const { t } = useTexts()
  const query = useItemRecords({ ...filter, page })
  const filtered = Object.values(filter).some(Boolean)
  /** The same people on the page of a guide. */
  const among = (more: Record<string, string>) =>
    new URLSearchParams(Object.entries({ ...filter, ...more }).flatMap(([key, value]) => (value ? [[key, value]] : []))).toString()
  return (
    <Loaded query={query}>
      {({ rows, total, pageSize }) =>
        rows.length === 0 && filtered ? (
          <p className="py-6">{t('Nobody fits.')}</p>
        ) : rows.length === 0 ? (
          <p className="py-6">
            {t('Nothing has been published to anybody yet. Once it is, you see here who has read it.')}{' '}
            <Link to="/library" className="text-petrol underline">
              {t('Open the library')}
            </Link>
          </p>
        ) : (
          <div className="overflow-x-auto">
            <table className="w-full text-sm">
              <thead className="border-b-2 border-ink">
                <tr>
                  <Head className="hidden sm:table-cell">{t('No.')}</Head>
                  <Head>{t('Guide')}</Head>
                  <Head>{t('Done')}</Head>
                  <Head>{t('Late')}</Head>
                  <Head className="hidden md:table-cell">{t('Due soon')}</Head>
                  <Head className="hidden md:table-cell">{t('In progress')}</Head>
                  <Head className="hidden md:table-cell">{t('Not started')}</Head>
                  <Head className="hidden md:table-cell">{t('Out of date')}</Head>
                  <Head className="hidden lg:table-cell">{t('Last activity')}</Head>
                </tr>
              </thead>
              <tbody>
                {rows.map(({ item, number, title, counts, lastAt }) => {
                  const to = (state: string) => `${recordsOf(item)}?${among({ state })}`
                  return (
                    <tr key={itemKey(item)} className="border-b border-hair hover:bg-page">
                      <td className={`${CELL} text-soft hidden sm:table-cell`}>{number}</td>
                      <td className="py-2 pr-4">
                        <Link to={`${recordsOf(item)}?${among({})}`} className="font-semibold text-base hover:underline">
                          {title}
                        </Link>
                      </td>
                      <td className={CELL}>
                        <Link to={to('done')} aria-label={t('{{done}} / {{people}} done', { done: counts.done, people: counts.people })}>
                          <DoneShare counts={counts} />
                        </Link>
                      </td>
                      <td className={CELL}>
                        <Figure n={counts.late} to={to('late')} label={t('late')} tone="text-brick font-semibold" />
                      </td>
                      <td className={`${CELL} hidden md:table-cell`}>
                        <Figure n={counts.dueSoon} to={to('due-soon')} label={t('due soon')} />
                      </td>
                      <td className={`${CELL} hidden md:table-cell`}>
                        <Figure n={counts.inProgress} to={to('in-progress')} label={t('in progress')} />
                      </td>
                      <td className={`${CELL} hidden md:table-cell`}>
                        <Figure n={counts.notStarted} to={to('not-started')} label={t('not started')} />
                      </td>
                      <td className={`${CELL} hidden md:table-cell`}>
                        <Figure n={counts.outOfDate} to={to('out-of-date')} label={t('out of date')} />
                      </td>
                      <td className={`${CELL} hidden lg:table-cell`}>
                        {lastAt === null ? <span className="text-soft">{t('never opened')}</span> : whenOf(lastAt)}
                      </td>
                    </tr>
                  )
                })}
              </tbody>
            </table>
            <Pager {...{ page, pageSize, total, onPage }} />
          </div>
        )
      }
    </Loaded>
  )
}

function People({ page, find, filter, onPage }: { page: number; find: string; filter: Filter; onPage: (page: number) => void }) {
  const { t } = useTexts()
  const query = usePersonList({ ...filter, page, find: find || undefined })
  return (
    <>
      <Loaded query={query}>
        {({ rows, total, pageSize }) => (
          <div className="overflow-x-auto">
            <p className="text-sm text-soft">{t('{{count}} people', { count: total })}</p>
            <table className="w-full text-sm">
              <thead className="border-b-2 border-ink">
                <tr>
                  <Head>{t('Name')}</Head>
                  <Head className="hidden md:table-cell">{t('Department')}</Head>
                  <Head className="hidden md:table-cell">{t('Site')}</Head>
                  <Head>{t('Done')}</Head>
                  <Head>{t('Late')}</Head>
                  <Head className="hidden sm:table-cell">{t('Out of date')}</Head>
                </tr>
              </thead>
              <tbody>
                {rows.map(({ id, name, department, site, counts }) => (
                  <tr key={id} className="border-b border-hair hover:bg-page">
                    <td className="py-2 pr-4">
                      <Link to={`/records/people/${id}`} className="font-semibold text-base hover:underline">
                        {name}
                      </Link>
                    </td>
                    <td className={`${CELL} hidden md:table-cell`}>{department}</td>
                    <td className={`${CELL} hidden md:table-cell`}>{site}</td>
                    <td className={CELL}>
                      <DoneShare counts={counts} />
                    </td>
                    <td className={CELL}>
                      <Figure n={counts.late} to={`/records/people/${id}`} label={t('late')} tone="text-brick font-semibold" />
                    </td>
                    <td className={`${CELL} hidden sm:table-cell`}>
                      <Figure n={counts.outOfDate} to={`/records/people/${id}`} label={t('out of date')} />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <Pager {...{ page, pageSize, total, onPage }} />
          </div>
        )}
      </Loaded>
    </>
  )
}
