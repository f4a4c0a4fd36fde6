import { Button, FindForm, lazyPart, Loaded, momentOf, Pager, type Sort, SortHead, TitleLine, useSearch, Waiting, whenOf } from '../ui'
import { GuideSort, type GuideRow } from '@jackdaw/contracts/library'
import { GuideKind } from '@jackdaw/core/guides'
import { FolderId } from '@jackdaw/core/shared'
import { Flag, Words } from '../ui/searchParts'
import { AppWindow, FilePlus2, FileUp, MoreHorizontal } from 'lucide-react'
import { Suspense, useEffect, useState } from 'react'
import { useTexts } from '../ui/texts'
import { Link, useNavigate } from 'react-router'
import { kindName } from '../guides/kindName'
import { useMe } from '../people'
import { Menu, MenuItem } from '../ui/Menu'
import type { Asked } from './AskedDialog'
import { FolderColumn } from './FolderColumn'
import { GuideStateWords } from './GuideStateWords'
import { useChangeGuide, useFolders, useGuides } from './queries'

// Asked for by a press only; they come once the list stands.
const AskedDialog = lazyPart(async () => (await import('./AskedDialog')).AskedDialog)

const SEARCH = { find: Words, folder: FolderId, kind: GuideKind, archived: Flag, sort: GuideSort, down: Flag }

export function LibraryPage() {
  const { t } = useTexts()
  const me = useMe()
  const { search, page, set, clear } = useSearch(SEARCH)
  const [asked, setAsked] = useState<Asked | null>(null)
  useEffect(() => void AskedDialog.preloadAtRest(), [])
  const { find = '', folder, kind } = search
  const archived = search.archived === 'yes'
  const sort: Sort<GuideSort> = { by: search.sort ?? 'number', down: search.down === 'yes' }
  const guides = useGuides({
    find: find || undefined,
    folder,
    kind,
    archived: archived ? 'yes' : 'no',
    sort: sort.by,
    direction: sort.down ? 'down' : 'up',
    page,
  })
  const folders = useFolders()
  const mayWrite = me.permissions.includes('guides.write')
  const folderName = folders.data?.find((each) => each.id === folder)?.name
  const filter = [
    find && t('with “{{find}}” in title or number', { find }),
    folderName && t('in {{folder}}', { folder: folderName }),
    kind && kindName(kind, t),
    archived && t('archived'),
  ]
    .filter(Boolean)
    .join(', ')
  return (
    <>
      <title>{t('Library – Jackdaw')}</title>
      <TitleLine
        title={folderName ?? t('Library')}
        state={
          guides.data && (
            <>
              {t('{{count}} guides', { count: guides.data.total })}
              {filter && ` ${filter}`}
              {(find || kind || archived) && (
                <button
                  type="button"
                  className="ml-2 text-petrol underline"
                  onClick={() => set({ find: undefined, kind: undefined, archived: undefined })}
                >
                  {t('Show all')}
                </button>
              )}
            </>
          )
        }
      >
        {mayWrite && (
          <Button onClick={() => setAsked({ what: 'import' })}>
            <FileUp size={17} aria-hidden />
            {t('Import …')}
          </Button>
        )}
        {mayWrite && (
          <Button onClick={() => setAsked({ what: 'record' })}>
            <AppWindow size={17} aria-hidden />
            {t('Record …')}
          </Button>
        )}
        {mayWrite && (
          <Button look="primary" onClick={() => setAsked({ what: 'new' })}>
            <FilePlus2 size={17} aria-hidden />
            {t('New guide')}
          </Button>
        )}
      </TitleLine>
      <div className="grow grid grid-rows-[auto_1fr] lg:grid-rows-1 lg:grid-cols-[264px_minmax(0,1fr)]">
        <FolderColumn
          folders={folders}
          selected={folder}
          onSelect={(id) => set({ folder: id, archived: undefined })}
          mayChange={me.permissions.includes('folders.change')}
        />
        <div className="bg-sheet border-t border-l border-hair min-w-0">
          <FilterForm {...{ find, kind, archived, mayWrite, set }} />
          <Loaded query={guides}>
            {({ rows, total, pageSize }) =>
              rows.length === 0 ? (
                <Empty filtered={filter !== ''} mayWrite={mayWrite} onNew={() => setAsked({ what: 'new' })} onAll={clear} />
              ) : (
                <div className="px-4 md:px-6">
                  <Table
                    rows={rows}
                    sort={sort}
                    mayWrite={mayWrite}
                    onSort={(next) => set({ sort: next.by, down: next.down ? 'yes' : undefined })}
                    onAsk={setAsked}
                  />
                  <Pager page={page} pageSize={pageSize} total={total} onPage={(next) => set({ page: String(next) })} />
                </div>
              )
            }
          </Loaded>
        </div>
      </div>
      {asked && (
        <Suspense fallback={<Waiting />}>
          <AskedDialog asked={asked} folder={folder} folders={folders.data ?? []} onClose={() => setAsked(null)} />
        </Suspense>
      )}
    </>
  )
}

type Filter = {
  find: string
  kind: GuideKind | undefined
  archived: boolean
  mayWrite: boolean
  set: (more: Record<string, string | undefined>) => void
}
function FilterForm({ find, kind, archived, mayWrite, set }: Filter) {
  const { t } = useTexts()
  return (
    <FindForm
      className="gap-3 px-4 md:px-6 py-3 border-b border-hair"
      find={find}
      label={t('Title or number')}
      maxLength={200}
      wide
      onFind={(words) => set({ find: words })}
    >
      <select
        aria-label={t('Kind')}
        value={kind ?? ''}
        onChange={(event) => set({ kind: event.target.value })}
        className="min-h-9 px-2 border border-edge rounded-md bg-sheet"
      >
        <option value="">{t('All kinds')}</option>
        {GuideKind.options.map((each) => (
          <option key={each} value={each}>
            {kindName(each, t)}
          </option>
        ))}
      </select>
      {mayWrite && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-[18px] accent-petrol"
            checked={archived}
            onChange={(event) => set({ archived: event.target.checked ? 'yes' : undefined })}
          />
          {t('Archived ones')}
        </label>
      )}
    </FindForm>
  )
}

function Empty({ filtered, mayWrite, onNew, onAll }: { filtered: boolean; mayWrite: boolean; onNew: () => void; onAll: () => void }) {
  const { t } = useTexts()
  return (
    <div className="p-6">
      <p className="mb-3">
        {filtered
          ? t('No guide fits. Titles are searched by any part of them, numbers whole.')
          : mayWrite
            ? t('Guides stand here: how-tos, work instructions, policies and lessons.')
            : t('Guides that you are given, and those that are open to everyone, stand here.')}
      </p>
      {filtered ? (
        <Button onClick={onAll}>{t('Show all guides')}</Button>
      ) : (
        mayWrite && (
          <Button look="primary" onClick={onNew}>
            {t('Write the first guide')}
          </Button>
        )
      )}
    </div>
  )
}

function Table({
  rows,
  sort,
  onSort,
  mayWrite,
  onAsk,
}: {
  rows: GuideRow[]
  sort: Sort<GuideSort>
  onSort: (sort: Sort<GuideSort>) => void
  mayWrite: boolean
  onAsk: (asked: Asked) => void
}) {
  const { t } = useTexts()
  const head = { sort, onSort }
  return (
    <table className="w-full text-sm">
      <thead className="border-b-2 border-ink">
        <tr>
          <SortHead by="number" {...head} className="hidden sm:table-cell">
            {t('No.')}
          </SortHead>
          <SortHead by="title" {...head}>
            {t('Title')}
          </SortHead>
          <SortHead by="kind" {...head} className="hidden md:table-cell">
            {t('Kind')}
          </SortHead>
          <SortHead by="owner" {...head} className="hidden xl:table-cell">
            {t('Owner')}
          </SortHead>
          {mayWrite && (
            <SortHead by="state" {...head} className="hidden sm:table-cell">
              {t('State')}
            </SortHead>
          )}
          <SortHead by="changed" {...head} className="hidden md:table-cell">
            {mayWrite ? t('Last change') : t('Published')}
          </SortHead>
          {mayWrite && (
            <th scope="col">
              <span className="sr-only">{t('More')}</span>
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <Row key={row.id} row={row} mayWrite={mayWrite} onAsk={onAsk} />
        ))}
      </tbody>
    </table>
  )
}

function Row({ row, mayWrite, onAsk }: { row: GuideRow; mayWrite: boolean; onAsk: (asked: Asked) => void }) {
  const { t } = useTexts()
  const edit = `/guides/${row.id}/edit`
  // What is published is read, also by those who write it.
  const reads = row.mayRead && row.state !== 'archived'
  return (
    <tr className="border-b border-hair hover:bg-page">
      <td className="py-2 pr-4 text-soft hidden sm:table-cell">{row.number}</td>
      <td className="py-2 pr-4">
        <Link to={reads ? `/guides/${row.id}` : edit} className="font-semibold text-base hover:underline [overflow-wrap:anywhere]">
          {row.title || t('Without a title')}
        </Link>
        {reads && row.mayEdit && (
          <Link
            to={edit}
            className="ml-3 text-sm text-petrol underline underline-offset-3 inline-flex items-center min-h-8"
            aria-label={t('Edit {{title}}', { title: row.title })}
          >
            {t('Edit')}
          </Link>
        )}
        {row.folder && <span className="block text-xs text-soft">{row.folder}</span>}
      </td>
      <td className="py-2 pr-4 whitespace-nowrap hidden md:table-cell">{kindName(row.kind, t)}</td>
      <td className="py-2 pr-4 whitespace-nowrap hidden xl:table-cell">{row.owner.name}</td>
      {mayWrite && (
        <td className="py-2 pr-4 hidden sm:table-cell">
          <GuideStateWords row={row} />
        </td>
      )}
      <td className="py-2 pr-4 whitespace-nowrap hidden md:table-cell" title={momentOf(row.changedAt)}>
        {whenOf(row.changedAt)}
        {row.changedBy && <span className="text-soft">, {row.changedBy}</span>}
      </td>
      {mayWrite && (
        <td className="py-1 text-right">
          <RowMenu row={row} onAsk={onAsk} />
        </td>
      )}
    </tr>
  )
}

function RowMenu({ row, onAsk }: { row: GuideRow; onAsk: (asked: Asked) => void }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const change = useChangeGuide(row.id)
  return (
    <Menu
      trigger={
        <Button look="quiet" className="px-2" aria-label={t('More about {{title}}', { title: row.title })}>
          <MoreHorizontal size={17} aria-hidden />
        </Button>
      }
    >
      {row.mayRead && <MenuItem onSelect={() => void navigate(`/guides/${row.id}`)}>{t('Read')}</MenuItem>}
      {row.mayEdit && <MenuItem onSelect={() => void navigate(`/guides/${row.id}/edit`)}>{t('Edit')}</MenuItem>}
      {row.mayEdit && row.state !== 'archived' && (
        <MenuItem onSelect={() => onAsk({ what: 'rename', guide: row })}>{t('Rename …')}</MenuItem>
      )}
      {row.mayEdit && <MenuItem onSelect={() => onAsk({ what: 'move', guide: row })}>{t('Move to another folder …')}</MenuItem>}
      {row.mayEdit && <MenuItem onSelect={() => onAsk({ what: 'duplicate', guide: row })}>{t('Duplicate …')}</MenuItem>}
      {row.mayEdit && (
        <MenuItem danger={row.state !== 'archived'} onSelect={() => change.mutate({ archived: row.state !== 'archived' })}>
          {row.state === 'archived' ? t('Take out of the archive') : t('Archive')}
        </MenuItem>
      )}
    </Menu>
  )
}
