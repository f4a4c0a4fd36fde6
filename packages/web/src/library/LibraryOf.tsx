import { listFoldersOf, listGuidesOf, type GuideSort } from '@jackdaw/contracts/library'
import type { FolderId, PersonId } from '@jackdaw/core/shared'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { call } from '../api'
import { Loaded, Pager, TitleLine, type Sort } from '../ui'
import { useTexts } from '../ui/words/texts'
import { FolderColumn } from './FolderColumn'
import { GuideTable } from './GuideTable'

/** The library as somebody else finds it, without what one can do with guides. */
export function LibraryOf({ personId }: { personId: PersonId }) {
  const { t } = useTexts()
  const [folder, setFolder] = useState<FolderId>()
  const [sort, setSort] = useState<Sort<GuideSort>>({ by: 'number', down: false })
  const [page, setPage] = useState(1)
  const query = { folder, sort: sort.by, direction: sort.down ? ('down' as const) : ('up' as const), page }
  const folders = useQuery({
    queryKey: ['look-as', personId, 'folders'],
    queryFn: ({ signal }) => call(listFoldersOf, { params: { id: personId }, signal }),
  })
  const guides = useQuery({
    queryKey: ['look-as', personId, 'guides', query],
    placeholderData: keepPreviousData,
    staleTime: 0,
    queryFn: ({ signal }) => call(listGuidesOf, { params: { id: personId }, query, signal }),
  })
  return (
    <>
      <TitleLine
        title={folders.data?.find((each) => each.id === folder)?.name ?? t('Library')}
        state={guides.data && t('{{count}} guides', { count: guides.data.total })}
      />
      <div className="grow grid grid-rows-[auto_1fr] lg:grid-rows-1 lg:grid-cols-[264px_minmax(0,1fr)]">
        <FolderColumn folders={folders} selected={folder} onSelect={(id) => (setFolder(id), setPage(1))} mayChange={false} />
        <div className="bg-sheet border-t border-l border-hair min-w-0">
          <Loaded query={guides}>
            {({ rows, total, pageSize }) => (
              <div className="px-4 md:px-6">
                <GuideTable
                  {...{ rows, sort }}
                  mayWrite={false}
                  onSort={setSort}
                  onAsk={() => undefined}
                  empty={<p className="py-6">{t('There is nothing here for them.')}</p>}
                />
                <Pager page={page} pageSize={pageSize} total={total} onPage={setPage} />
              </div>
            )}
          </Loaded>
        </div>
      </div>
    </>
  )
}
