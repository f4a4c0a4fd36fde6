import { getRecordsCsv } from '@jackdaw/contracts/records'
import { ItemState } from '@jackdaw/core/items'
import { Download } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import { Link } from 'react-router'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { useMe } from '../people'
import { Button, ButtonLink, buttonClass, FindForm, TitleLine, useSearch } from '../ui'
import { entriesOf } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { Words } from '../ui/search/searchParts'
import { AMONG, amongIn, GroupFilters } from './GroupFilters'
import { ItemRecords, type RecordsFilter } from './ItemRecords'
import { PersonRecords } from './PersonRecords'

const SEARCH = { ...AMONG, by: z.enum(['items', 'people']), find: Words, state: ItemState }

export function RecordsPage() {
  const { t } = useTexts()
  const me = useMe()
  const { search, page, set } = useSearch(SEARCH)
  const { by = 'items', find = '', state } = search
  const tab = (name: 'items' | 'people', words: string) => (
    <Link
      to={`/records?${new URLSearchParams(entriesOf({ ...search, by: name }))}`}
      aria-current={by === name ? 'page' : undefined}
      className={`px-4 min-h-10 inline-flex items-center border-b-3 ${by === name ? 'border-petrol font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
    >
      {words}
    </Link>
  )
  const all = me.permissions.includes('records.all')
  const filter: RecordsFilter = { ...amongIn(search), state }
  const asked = { ...filter, find: (by === 'people' && find) || undefined }
  return (
    <>
      <title>{t('Records – Jackdaw')}</title>
      <TitleLine
        title={t('Records')}
        state={
          all
            ? t('What everybody has read and done, counted as it happens')
            : t('What those who report to you have read and done, counted as it happens')
        }
      >
        {me.permissions.some((each) => each === 'guides.publish' || each === 'guides.all') && (
          <ButtonLink to="/records/given">{t('What I gave')}</ButtonLink>
        )}
        <a className={buttonClass('plain')} href={addressOf(getRecordsCsv, {}, asked)} download>
          <Download size={16} aria-hidden />
          {t('CSV of all that is shown')}
        </a>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6">
        <nav aria-label={t('Records by')} className="border-b border-hair mb-2">
          {tab('items', t('By guide and task'))}
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
        {by === 'items' ? (
          <ItemRecords {...{ page, filter }} onPage={(next) => set({ page: String(next) })} />
        ) : (
          <PersonRecords {...{ page, find, filter }} onPage={(next) => set({ page: String(next) })} />
        )}
      </div>
    </>
  )
}
