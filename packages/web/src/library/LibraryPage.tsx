import { Button, FindForm, Loaded, Pager, TextButton, Tickbox, TitleLine, Waiting, lazyPart, type Sort, useSearch } from '../ui'
import { GuideSort } from '@jackdaw/contracts/library'
import { GuideKind } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import { FolderId, GuideId } from '@jackdaw/core/shared'
import { Flag, Words } from '../ui/search/searchParts'
import { AppWindow, BookDown, FilePlus2, FileUp } from 'lucide-react'
import { Suspense, useEffect, useState, type MouseEvent } from 'react'
import { useTexts } from '../ui/words/texts'
import { kindName } from '../guides/kindName'
import { useMe } from '../people'
import type { Asked } from './AskedDialog'
import { LibraryTabs } from './LibraryTabs'
import { FolderColumn } from './FolderColumn'
import { GuideTable } from './GuideTable'
import { useFolders, useGuides } from './queries'
import { useSoughtInList } from './sought'

// Asked for by a press only; they come once the list stands.
const AskedDialog = lazyPart(async () => (await import('./AskedDialog')).AskedDialog)

const guideLink = /^\/guides\/([^/?]+)/
const SEARCH = { find: Words, folder: FolderId, kind: GuideKind, archived: Flag, sort: GuideSort, down: Flag, write: Words }

/** What of the library is shown, as the address says it, and what it is called. */
function useShown() {
  const { t } = useTexts()
  const { search, page, set, clear } = useSearch(SEARCH)
  const { find = '', folder, kind } = search
  const archived = search.archived === 'yes'
  const sort: Sort<GuideSort> = { by: search.sort ?? 'number', down: search.down === 'yes' }
  const folders = useFolders()
  const folderName = folders.data?.find((each) => each.id === folder)?.name
  const guides = useGuides({
    ...{ find: find || undefined, folder, kind, page },
    ...{
      archived: archived ? ('yes' as const) : ('no' as const),
      sort: sort.by,
      direction: sort.down ? ('down' as const) : ('up' as const),
    },
  })
  const filter = [
    find && t('with “{{find}}” in title or number', { find }),
    folderName && t('in {{folder}}', { folder: folderName }),
    kind && kindName(kind, t),
    archived && t('archived'),
  ]
  return {
    find,
    folder,
    kind,
    archived,
    sort,
    page,
    write: search.write,
    set,
    clear,
    folders,
    folderName,
    guides,
    filter: filter.filter(Boolean).join(', '),
  }
}

export function LibraryPage() {
  const { t } = useTexts()
  const me = useMe()
  const shown = useShown()
  const { find, folder, kind, archived, sort, page, write, set, clear, folders, guides, filter } = shown
  const mayWrite = me.permissions.includes('guides.write')
  const [asked, setAsked] = useState<Asked | null>(write && mayWrite ? { what: 'new', title: write } : null)
  useEffect(() => void AskedDialog.preloadAtRest(), [])
  const found = guides.isPlaceholderData ? undefined : guides.data?.total
  const tellOpened = useSoughtInList(find, found)
  const open = ({ target }: MouseEvent) => {
    const id = GuideId.safeParse(guideLink.exec((target as Element).closest('a')?.getAttribute('href') ?? '')?.[1]).data
    if (id) tellOpened(guideItem(id))
  }
  return (
    <>
      <title>{t('Library – Jackdaw')}</title>
      <Head {...{ shown, mayWrite }} onAsk={setAsked} />
      <LibraryTabs />
      <div className="grow grid grid-rows-[auto_1fr] lg:grid-rows-1 lg:grid-cols-[264px_minmax(0,1fr)]">
        <FolderColumn
          folders={folders}
          selected={folder}
          onSelect={(id) => set({ folder: id, archived: undefined })}
          mayChange={me.permissions.includes('folders.change')}
        />
        <div className="bg-sheet border-l border-hair min-w-0">
          <FilterForm {...{ find, kind, archived, mayWrite, set }} />
          <Loaded query={guides}>
            {({ rows, total, pageSize }) => (
              <div className="px-4 md:px-6" onClickCapture={open}>
                <GuideTable
                  {...{ rows, sort, mayWrite }}
                  onSort={(next) => set({ sort: next.by, down: next.down ? 'yes' : undefined })}
                  onAsk={setAsked}
                  empty={<Empty filtered={filter !== ''} mayWrite={mayWrite} onNew={() => setAsked({ what: 'new' })} onAll={clear} />}
                />
                <Pager page={page} pageSize={pageSize} total={total} onPage={(next) => set({ page: String(next) })} />
              </div>
            )}
          </Loaded>
        </div>
      </div>
      {asked && (
        <Suspense fallback={<Waiting />}>
          <AskedDialog
            asked={asked}
            folder={folder}
            folders={folders.data ?? []}
            onClose={() => (setAsked(null), write && set({ write: undefined }))}
          />
        </Suspense>
      )}
    </>
  )
}

/** What is shown, and what can be begun. */
function Head({ shown, mayWrite, onAsk }: { shown: ReturnType<typeof useShown>; mayWrite: boolean; onAsk: (asked: Asked) => void }) {
  const { t } = useTexts()
  const { find, folder, kind, archived, set, folderName, guides, filter } = shown
  return (
    <TitleLine
      title={folderName ?? t('Library')}
      state={
        guides.data && (
          <>
            {t('{{count}} guides', { count: guides.data.total })}
            {filter && ` ${filter}`}
            {(find || kind || archived) && (
              <TextButton className="ml-2" onClick={() => set({ find: undefined, kind: undefined, archived: undefined })}>
                {t('Show all')}
              </TextButton>
            )}
          </>
        )
      }
    >
      {folder && folderName !== undefined && !archived && (guides.data?.total ?? 0) > 0 && (
        <Button
          onClick={() =>
            onAsk({
              what: 'save-as',
              as: { what: { of: 'folder', folderId: folder }, name: folderName, several: true, published: true, draft: false },
            })
          }
        >
          <BookDown size={17} aria-hidden />
          {t('Save as a booklet …')}
        </Button>
      )}
      {mayWrite && (
        <>
          <Button onClick={() => onAsk({ what: 'import' })}>
            <FileUp size={17} aria-hidden />
            {t('Import …')}
          </Button>
          <Button onClick={() => onAsk({ what: 'record' })}>
            <AppWindow size={17} aria-hidden />
            {t('Record …')}
          </Button>
          <Button look="primary" onClick={() => onAsk({ what: 'new' })}>
            <FilePlus2 size={17} aria-hidden />
            {t('New guide')}
          </Button>
        </>
      )}
    </TitleLine>
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
          <Tickbox checked={archived} onChange={(event) => set({ archived: event.target.checked ? 'yes' : undefined })} />
          {t('Archived ones')}
        </label>
      )}
    </FindForm>
  )
}

function Empty({ filtered, mayWrite, onNew, onAll }: { filtered: boolean; mayWrite: boolean; onNew: () => void; onAll: () => void }) {
  const { t } = useTexts()
  return (
    <div className="py-6">
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
