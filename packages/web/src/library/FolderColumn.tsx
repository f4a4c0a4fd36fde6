import type { Folder } from '@jackdaw/contracts/library'
import { flattened, folderTree } from '@jackdaw/core/library'
import type { FolderId } from '@jackdaw/core/shared'
import type { UseQueryResult } from '@tanstack/react-query'
import { Folder as FolderIcon, FolderOpen, MoreHorizontal } from 'lucide-react'
import { Suspense, useState } from 'react'
import { useMe } from '../people'
import { Button, chosen, lazyPart, Loaded } from '../ui'
import { Menu, MenuItem } from '../ui/over/Menu'
import { useTexts } from '../ui/words/texts'
import type { FolderAsked } from './FolderDialogs'
import { FolderOptions } from './FolderOptions'

const FolderDialog = lazyPart(async () => (await import('./FolderDialogs')).FolderDialog)
const compare = (a: string, b: string) => a.localeCompare(b)
type Selecting = { selected: FolderId | undefined; onSelect: (id: FolderId | undefined) => void }

/** The folders as a tree, and what can be done with them. */
export function FolderColumn({ folders, mayChange, ...selecting }: Selecting & { folders: UseQueryResult<Folder[]>; mayChange: boolean }) {
  const { t } = useTexts()
  const [asked, setAsked] = useState<FolderAsked | null>(null)
  return (
    <aside className="px-2 pb-4 border-t border-hair lg:border-t">
      <nav aria-label={t('Folders')} className="pt-2">
        <Loaded query={folders}>
          {(rows) => (
            <>
              <FolderChoice folders={rows} {...selecting} />
              <FolderTree folders={rows} {...selecting} onAsk={mayChange ? setAsked : undefined} />
              {mayChange && (
                <Button
                  look="quiet"
                  className="text-sm px-2 mt-1 hidden lg:inline-flex"
                  onClick={() => setAsked({ what: 'new', parentId: null })}
                >
                  {t('+ Folder')}
                </Button>
              )}
              {asked && (
                <Suspense>
                  <FolderDialog
                    asked={asked}
                    folders={rows}
                    onClose={() => setAsked(null)}
                    onArchived={() => selecting.onSelect(undefined)}
                  />
                </Suspense>
              )}
            </>
          )}
        </Loaded>
      </nav>
    </aside>
  )
}

/** In narrow windows: one field instead of the tree. */
function FolderChoice({ folders, selected, onSelect }: Selecting & { folders: Folder[] }) {
  const { t } = useTexts()
  return (
    <label className="lg:hidden block px-2 text-sm">
      {t('Folder')}
      <select
        value={selected ?? ''}
        onChange={chosen((value: FolderId | '') => onSelect(value || undefined))}
        className="mt-1 w-full min-h-11 px-2 bg-sheet border border-edge"
      >
        <option value="">{t('All guides')}</option>
        <FolderOptions folders={folders} />
      </select>
    </label>
  )
}

type OnAsk = (asked: FolderAsked) => void
function FolderTree({ folders, selected, onSelect, onAsk }: Selecting & { folders: Folder[]; onAsk: OnAsk | undefined }) {
  const { t } = useTexts()
  return (
    <ul className="hidden lg:block">
      <li>
        <button
          type="button"
          aria-current={selected === undefined ? 'true' : undefined}
          className={`w-full text-left px-2 min-h-9 hover:bg-wash ${selected === undefined ? 'font-semibold bg-wash' : ''}`}
          onClick={() => onSelect(undefined)}
        >
          {t('All guides')}
        </button>
      </li>
      {flattened(folderTree(folders, compare)).map((folder) => (
        <li key={folder.id} className={`flex items-center hover:bg-wash ${folder.id === selected ? 'bg-wash' : ''}`}>
          <button
            type="button"
            aria-current={folder.id === selected ? 'true' : undefined}
            className={`grow min-w-0 flex items-center gap-2 text-left min-h-9 ${folder.id === selected ? 'font-semibold' : ''}`}
            style={{ paddingLeft: 8 + folder.depth * 18 }}
            onClick={() => onSelect(folder.id)}
          >
            {folder.id === selected ? (
              <FolderOpen size={16} className="shrink-0 text-petrol" aria-hidden />
            ) : (
              <FolderIcon size={16} className="shrink-0 text-soft" aria-hidden />
            )}
            <span className="truncate">{folder.name}</span>
            <span className="text-xs text-soft ml-auto pr-2">{folder.guides || ''}</span>
          </button>
          {onAsk && <FolderMenu folder={folder} onAsk={onAsk} />}
        </li>
      ))}
    </ul>
  )
}

function FolderMenu({ folder, onAsk }: { folder: Folder; onAsk: OnAsk }) {
  const { t } = useTexts()
  const mayOpen = useMe().permissions.includes('guides.all')
  return (
    <Menu
      trigger={
        <Button look="quiet" className="px-1.5 min-h-8" aria-label={t('More about folder {{name}}', { name: folder.name })}>
          <MoreHorizontal size={16} aria-hidden />
        </Button>
      }
    >
      <MenuItem onSelect={() => onAsk({ what: 'new', parentId: folder.id })}>{t('New folder inside …')}</MenuItem>
      <MenuItem onSelect={() => onAsk({ what: 'rename', folder })}>{t('Rename …')}</MenuItem>
      <MenuItem onSelect={() => onAsk({ what: 'move', folder })}>{t('Move …')}</MenuItem>
      {mayOpen && <MenuItem onSelect={() => onAsk({ what: 'open', folder })}>{t('Open to everybody …')}</MenuItem>}
      <MenuItem danger onSelect={() => onAsk({ what: 'archive', folder })}>
        {t('Archive …')}
      </MenuItem>
    </Menu>
  )
}
