import { DIRECTORY_PAGE, type DirectoryRow } from '@jackdaw/contracts/directory'
import { GroupId } from '@jackdaw/core/shared'
import { FileUp, Printer, UserPlus } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { Button, ButtonLink, dayAndYearOf, Loaded, Pager, TitleLine, useSearch } from '../../ui'
import { boxClass } from '../../ui/fields/Frame'
import { useSettled } from '../../ui/fields/useSettled'
import { Words } from '../../ui/search/searchParts'
import { useTexts } from '../../ui/words/texts'
import { Face } from '../Face'
import { useGroupRows } from '../groups/queries'
import { kindWords } from '../kindWords'
import { PeopleTabs } from '../PeopleTabs'
import { useMe } from '../session'
import { useDirectory } from './queries'
import { ShownButton } from './ShownButton'

const SEARCH = { find: Words, group: GroupId }

/** Everybody who works here: found as one types, and by group. */
export function DirectoryPage() {
  const { t } = useTexts()
  const { permissions } = useMe()
  const { search, page, set } = useSearch(SEARCH)
  const [typed, setTyped] = useState(search.find ?? '')
  const find = useSettled(typed.trim())
  useEffect(() => {
    if (find !== (search.find ?? '')) set({ find: find || undefined }, true)
    // Only what was typed leads the address.
  }, [find])
  const [printing, setPrinting] = useState(false)
  const query = useDirectory({ find: find || undefined, group: search.group, page, all: printing ? 'yes' : undefined })
  usePrinting(printing && query.isSuccess && !query.isPlaceholderData, () => setPrinting(false))
  return (
    <>
      <title>{t('People – Jackdaw')}</title>
      <TitleLine
        title={t('People')}
        state={
          query.data &&
          (query.data.more ? t('more than {{n}} people', { n: query.data.total }) : t('{{count}} people', { count: query.data.total }))
        }
      >
        <span className="contents print:hidden">
          <Button className="max-sm:hidden" disabled={printing} onClick={() => setPrinting(true)}>
            <Printer size={16} aria-hidden />
            {printing ? t('Fetching all of them …') : t('Print')}
          </Button>
          {permissions.includes('company.settings') && <ShownButton />}
          {permissions.includes('people.manage') && (
            <ButtonLink className="max-sm:hidden" to="/people/from-a-file">
              <FileUp size={16} aria-hidden />
              {t('From a file')}
            </ButtonLink>
          )}
          {(permissions.includes('people.manage') || permissions.includes('people.invite')) && (
            <ButtonLink look="primary" to="/people/new">
              <UserPlus size={16} aria-hidden />
              {t('Add a person')}
            </ButtonLink>
          )}
        </span>
      </TitleLine>
      <PeopleTabs />
      <div className="bg-sheet grow px-4 md:px-6 py-3">
        <div className="flex flex-wrap gap-2 mb-2 print:hidden">
          <input
            type="search"
            className={`${boxClass()} max-w-80`}
            aria-label={t('Find somebody')}
            placeholder={t('Name, job title or number')}
            value={typed}
            maxLength={100}
            onChange={(event) => setTyped(event.target.value)}
          />
          <GroupChoice value={search.group} onChange={(group) => set({ group })} />
        </div>
        <Loaded query={query}>
          {({ rows, total }) =>
            rows.length === 0 ? (
              <p className="py-4">{find || search.group ? t('Nobody fits. Try a part of the name.') : t('Nobody is here yet.')}</p>
            ) : (
              <>
                <ul className={query.isPlaceholderData ? 'opacity-60' : ''} aria-label={t('People')}>
                  {rows.map((row) => (
                    <Row key={row.id} row={row} />
                  ))}
                </ul>
                <div className="print:hidden">
                  <Pager page={page} pageSize={DIRECTORY_PAGE} total={total} onPage={(next) => set({ page: String(next) })} />
                </div>
              </>
            )
          }
        </Loaded>
      </div>
    </>
  )
}

/** Prints the page once all that is to be printed stands there. */
function usePrinting(ready: boolean, onDone: () => void): void {
  useEffect(() => {
    if (!ready) return
    // The rows are drawn before the window asks where to print to.
    const timer = setTimeout(() => {
      window.print()
      onDone()
    }, 100)
    return () => clearTimeout(timer)
  }, [ready])
}

/** The groups to choose from, by kind. */
function GroupChoice({ value, onChange }: { value: GroupId | undefined; onChange: (group: string | undefined) => void }) {
  const { t } = useTexts()
  const groups = useGroupRows().data ?? []
  const kinds = [...new Set(groups.map((group) => group.kind))]
  return (
    <select
      aria-label={t('Group')}
      className={`${boxClass()} w-auto! max-w-64`}
      value={value ?? ''}
      onChange={(event) => onChange(event.target.value || undefined)}
    >
      <option value="">{t('All groups')}</option>
      {kinds.map((kind) => {
        const of = groups.filter((group) => group.kind === kind)
        return (
          <optgroup key={kind} label={of[0] ? kindWords(of[0], t) : ''}>
            {of.map((group) => (
              <option key={group.id} value={group.id}>
                {group.name}
              </option>
            ))}
          </optgroup>
        )
      })}
    </select>
  )
}

function Row({ row }: { row: DirectoryRow }) {
  const { t } = useTexts()
  return (
    <li className="grid grid-cols-[auto_minmax(0,1fr)] md:grid-cols-[auto_minmax(0,2fr)_minmax(0,2fr)_minmax(0,1.4fr)_minmax(0,1.6fr)] gap-x-3 py-2 border-b border-hair items-start break-inside-avoid text-sm">
      <Face id={row.id} name={row.name} face={row.face} />
      <div className="min-w-0">
        <Link to={`/people/${row.id}`} className="font-semibold text-base hover:underline [overflow-wrap:anywhere]" dir="auto">
          {row.name}
        </Link>
        <span className="block text-soft">{row.jobTitle}</span>
        {row.awayUntil && <span className="block text-ochre">{t('Away until {{day}}', { day: dayAndYearOf(row.awayUntil) })}</span>}
      </div>
      <div className="col-start-2 md:col-auto min-w-0">
        {row.site}
        <span className="block text-soft">{row.groups.map((group) => group.name).join(', ')}</span>
      </div>
      <div className="col-start-2 md:col-auto min-w-0">
        {row.manager && (
          <>
            <span className="text-soft">{t('Reports to')} </span>
            <Link to={`/people/${row.manager.id}`} className="hover:underline" dir="auto">
              {row.manager.name}
            </Link>
          </>
        )}
      </div>
      <div className="col-start-2 md:col-auto min-w-0 [overflow-wrap:anywhere]">
        {row.telephone && (
          <a href={`tel:${row.telephone.replace(/[^+\d]/g, '')}`} className="block text-petrol hover:underline">
            {row.telephone}
          </a>
        )}
        {row.mail && (
          <a href={`mailto:${row.mail}`} className="block text-petrol hover:underline">
            {row.mail}
          </a>
        )}
      </div>
    </li>
  )
}
