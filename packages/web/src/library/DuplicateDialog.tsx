import { GuideCopy, type Folder, type GuideRow } from '@jackdaw/contracts/library'
import type { GuideId } from '@jackdaw/core/shared'
import { useNavigate } from 'react-router'
import { TextField } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { FOLDER_VALUE, FolderField } from './FolderField'
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
  const title = t('Copy of {{title}}', { title: guide.title }).slice(0, 300)
  const { register, sending, faultOf } = useFormOf(GuideCopy, { title, folderId: guide.folderId })
  const open = ({ id }: { id: GuideId }) => {
    onClose()
    void navigate(`/guides/${id}/edit`)
  }
  return (
    <FormDialog
      title={t('Duplicate “{{title}}”', { title: guide.title })}
      about={t('All steps, pictures and annotations of its draft are copied. You own the copy; it is a draft and given to nobody.')}
      yes={t('Duplicate')}
      sending={t('Copying …')}
      send={duplicate}
      onClose={onClose}
      onSubmit={sending((body) => duplicate.mutate(body, { onSuccess: open }))}
    >
      <TextField label={t('Title')} autoFocus maxLength={300} {...register('title')} error={faultOf('title')} />
      <FolderField label={t('Folder')} field={register('folderId', FOLDER_VALUE)} folders={folders} />
    </FormDialog>
  )
}
