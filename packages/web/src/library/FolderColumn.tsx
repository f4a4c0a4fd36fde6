import { Button, chosen, Failed, Loaded, Select, TextField } from '../ui'
import type { Folder } from '@jackdaw/contracts/library'
import { flattened, folderTree, mayMoveUnder } from '@jackdaw/core/library'
import type { FolderId } from '@jackdaw/core/shared'
import type { UseQueryResult } from '@tanstack/react-query'
import { Folder as FolderIcon, FolderOpen, MoreHorizontal } from 'lucide-react'
import { useState } from 'react'
import { useTexts } from '../ui/words/texts'
import { Dialog } from '../ui/over/Dialog'
import { Menu, MenuItem } from '../ui/over/Menu'
import { FolderOptions } from './FolderOptions'
import { useChangeFolder, useCreateFolder } from './queries'

type Asked = { what: 'new'; parentId: FolderId | null } | { what: 'rename' | 'move' | 'archive'; folder: Folder } | null
const compare = (a: string, b: string) => a.localeCompare(b)

/** The folders as a tree, and what can be done with them. */
export function FolderColumn({
  folders,
  selected,
  onSelect,
  mayChange,
}: {
  folders: UseQueryResult<Folder[]>
  selected: FolderId | undefined
  onSelect: (id: FolderId | undefined) => void
  mayChange: boolean
}) {
  const { t } = useTexts()
  const [asked, setAsked] = useState<Asked>(null)
  return (
    <aside className="px-2 pb-4 border-t border-hair lg:border-t">
      <nav aria-label={t('Folders')} className="pt-2">
        <Loaded query={folders}>
          {(rows) => (
            <>
              <label className="lg:hidden block px-2 text-sm">
                {t('Folder')}
                <select
                  value={selected ?? ''}
                  onChange={chosen((value: FolderId | '') => onSelect(value || undefined))}
                  className="mt-1 w-full min-h-11 px-2 bg-sheet border border-edge"
                >
                  <option value="">{t('All guides')}</option>
                  <FolderOptions folders={rows} />
                </select>
              </label>
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
                {flattened(folderTree(rows, compare)).map((folder) => (
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
                    {mayChange && (
                      <Menu
                        trigger={
                          <Button
                            look="quiet"
                            className="px-1.5 min-h-8"
                            aria-label={t('More about folder {{name}}', { name: folder.name })}
                          >
                            <MoreHorizontal size={16} aria-hidden />
                          </Button>
                        }
                      >
                        <MenuItem onSelect={() => setAsked({ what: 'new', parentId: folder.id })}>{t('New folder inside …')}</MenuItem>
                        <MenuItem onSelect={() => setAsked({ what: 'rename', folder })}>{t('Rename …')}</MenuItem>
                        <MenuItem onSelect={() => setAsked({ what: 'move', folder })}>{t('Move …')}</MenuItem>
                        <MenuItem danger onSelect={() => setAsked({ what: 'archive', folder })}>
                          {t('Archive …')}
                        </MenuItem>
                      </Menu>
                    )}
                  </li>
                ))}
              </ul>
              {mayChange && (
                <Button
                  look="quiet"
                  className="text-sm px-2 mt-1 hidden lg:inline-flex"
                  onClick={() => setAsked({ what: 'new', parentId: null })}
                >
                  {t('+ Folder')}
                </Button>
              )}
              {asked && <FolderDialog asked={asked} folders={rows} onClose={() => setAsked(null)} onArchived={() => onSelect(undefined)} />}
            </>
          )}
        </Loaded>
      </nav>
    </aside>
  )
}

function FolderDialog({
  asked,
  folders,
  onClose,
  onArchived,
}: {
  asked: NonNullable<Asked>
  folders: Folder[]
  onClose: () => void
  onArchived: () => void
}) {
  const { t } = useTexts()
  const create = useCreateFolder()
  const change = useChangeFolder()
  const [name, setName] = useState(asked.what === 'rename' ? asked.folder.name : '')
  const [parentId, setParentId] = useState<FolderId | null>(asked.what === 'move' ? asked.folder.parentId : null)
  const running = create.isPending || change.isPending
  const done = {
    onSuccess: () => {
      if (asked.what === 'archive') onArchived()
      onClose()
    },
  }
  const submit = () => {
    if (running) return
    if (asked.what === 'new') create.mutate({ name, parentId: asked.parentId }, done)
    else
      change.mutate(
        { folderId: asked.folder.id, ...(asked.what === 'rename' ? { name } : asked.what === 'move' ? { parentId } : { archived: true }) },
        done,
      )
  }
  const title = { new: t('New folder'), rename: t('Rename the folder'), move: t('Move the folder'), archive: t('Archive the folder?') }[
    asked.what
  ]
  return (
    <Dialog open onClose={onClose} title={title}>
      <form
        className="space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          submit()
        }}
      >
        {(asked.what === 'new' || asked.what === 'rename') && (
          <TextField label={t('Name')} autoFocus required maxLength={120} value={name} onChange={(event) => setName(event.target.value)} />
        )}
        {asked.what === 'move' && (
          <Select label={t('Into')} value={parentId ?? ''} onChange={chosen((value: FolderId | '') => setParentId(value || null))}>
            <option value="">{t('The top')}</option>
            <FolderOptions folders={folders} fits={(each) => mayMoveUnder(folders, asked.folder.id, each.id)} />
          </Select>
        )}
        {asked.what === 'archive' && <p>{t('Only an empty folder can be archived. Guides in it have to be moved or archived first.')}</p>}
        {(create.isError || change.isError) && <Failed error={create.error ?? change.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button type="submit" look="primary" disabled={running}>
            {asked.what === 'archive' ? t('Archive the folder') : t('Save')}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
