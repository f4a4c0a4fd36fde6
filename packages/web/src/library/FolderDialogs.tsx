import { FolderNaming, FolderPlace, type Folder } from '@jackdaw/contracts/library'
import { mayMoveUnder } from '@jackdaw/core/library'
import type { FolderId } from '@jackdaw/core/shared'
import { OpenFolderDialog } from '../sharing/OpenFolderDialog'
import { TextField } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { FormDialog } from '../ui/over/FormDialog'
import { Question } from '../ui/over/Question'
import { useTexts } from '../ui/words/texts'
import { FOLDER_VALUE, FolderField } from './FolderField'
import { useChangeFolder, useCreateFolder } from './queries'

/** What somebody wants to do with a folder. */
export type FolderAsked = { what: 'new'; parentId: FolderId | null } | { what: 'rename' | 'move' | 'open' | 'archive'; folder: Folder }

/** The dialog for what somebody wants to do with a folder. @param onArchived when the folder is gone */
export function FolderDialog({
  asked,
  folders,
  onClose,
  onArchived,
}: {
  asked: FolderAsked
  folders: Folder[]
  onClose: () => void
  onArchived: () => void
}) {
  switch (asked.what) {
    case 'new':
      return <NewFolder parentId={asked.parentId} onClose={onClose} />
    case 'rename':
      return <RenameFolder folder={asked.folder} onClose={onClose} />
    case 'move':
      return <MoveFolder folder={asked.folder} folders={folders} onClose={onClose} />
    case 'open':
      return <OpenFolderDialog folder={asked.folder} onClose={onClose} />
    case 'archive':
      return <ArchiveFolder folder={asked.folder} onClose={onClose} onArchived={onArchived} />
  }
}

function NewFolder({ parentId, onClose }: { parentId: FolderId | null; onClose: () => void }) {
  const { t } = useTexts()
  const create = useCreateFolder()
  const { register, sending, faultOf } = useFormOf(FolderNaming, { name: '' })
  return (
    <FormDialog
      title={t('New folder')}
      yes={t('Save')}
      send={create}
      onClose={onClose}
      onSubmit={sending(({ name }) => create.mutate({ name, parentId }, { onSuccess: onClose }))}
    >
      <TextField label={t('Name')} autoFocus maxLength={120} {...register('name')} error={faultOf('name')} />
    </FormDialog>
  )
}

function RenameFolder({ folder, onClose }: { folder: Folder; onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeFolder()
  const { register, sending, faultOf } = useFormOf(FolderNaming, { name: folder.name })
  return (
    <FormDialog
      title={t('Rename the folder')}
      yes={t('Save')}
      send={change}
      onClose={onClose}
      onSubmit={sending(({ name }) => change.mutate({ folderId: folder.id, name }, { onSuccess: onClose }))}
    >
      <TextField label={t('Name')} autoFocus maxLength={120} {...register('name')} error={faultOf('name')} />
    </FormDialog>
  )
}

function MoveFolder({ folder, folders, onClose }: { folder: Folder; folders: Folder[]; onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeFolder()
  const { register, sending } = useFormOf(FolderPlace, { parentId: folder.parentId })
  return (
    <FormDialog
      title={t('Move the folder')}
      yes={t('Save')}
      send={change}
      onClose={onClose}
      onSubmit={sending(({ parentId }) => change.mutate({ folderId: folder.id, parentId }, { onSuccess: onClose }))}
    >
      <FolderField
        label={t('Into')}
        none={t('The top')}
        field={register('parentId', FOLDER_VALUE)}
        folders={folders}
        fits={(each) => mayMoveUnder(folders, folder.id, each.id)}
      />
    </FormDialog>
  )
}

function ArchiveFolder({ folder, onClose, onArchived }: { folder: Folder; onClose: () => void; onArchived: () => void }) {
  const { t } = useTexts()
  const change = useChangeFolder()
  const archived = () => {
    onArchived()
    onClose()
  }
  return (
    <Question
      title={t('Archive the folder “{{name}}”?', { name: folder.name })}
      about={t('Only an empty folder can be archived. Guides in it have to be moved or archived first.')}
      yes={t('Archive the folder')}
      pending={change.isPending}
      error={change.error}
      onNo={onClose}
      onYes={() => change.mutate({ folderId: folder.id, archived: true }, { onSuccess: archived })}
    />
  )
}
