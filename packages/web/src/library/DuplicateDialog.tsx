import { Button, chosen, Failed, Select, TextField } from '../ui'
import type { Folder, GuideRow } from '@jackdaw/contracts/library'
import type { FolderId, GuideId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { Dialog } from '../ui/over/Dialog'
import { useTexts } from '../ui/words/texts'
import { FolderOptions } from './FolderOptions'
import { useDuplicateGuide } from './queries'

/** Makes a guide like another one, with a title and a folder of its own, and opens it. */
export function DuplicateDialog({
  guide,
  folders,
  onClose,
}: {
  guide: Pick<GuideRow, 'title' | 'folderId'> & { id: GuideId }
  folders: Folder[]
  onClose: () => void
}) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const duplicate = useDuplicateGuide(guide.id)
  const [title, setTitle] = useState(t('Copy of {{title}}', { title: guide.title }).slice(0, 300))
  const [folderId, setFolderId] = useState<FolderId | null>(guide.folderId)
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Duplicate “{{title}}”', { title: guide.title })}
      about={t('All steps, pictures and annotations of its draft are copied. You own the copy; it is a draft and given to nobody.')}
    >
      <form
        className="space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (duplicate.isPending || title.trim() === '') return
          duplicate.mutate(
            { title: title.trim(), folderId },
            {
              onSuccess: ({ id }) => {
                onClose()
                void navigate(`/guides/${id}/edit`)
              },
            },
          )
        }}
      >
        <TextField
          label={t('Title')}
          value={title}
          maxLength={300}
          autoFocus
          error={title.trim() === '' ? t('Give the guide a title') : undefined}
          onChange={(event) => setTitle(event.target.value)}
        />
        <Select label={t('Folder')} value={folderId ?? ''} onChange={chosen((value: FolderId | '') => setFolderId(value || null))}>
          <option value="">{t('No folder')}</option>
          <FolderOptions folders={folders} />
        </Select>
        {duplicate.isError && <Failed error={duplicate.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button type="submit" look="primary" disabled={duplicate.isPending}>
            {duplicate.isPending ? t('Copying …') : t('Duplicate')}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
