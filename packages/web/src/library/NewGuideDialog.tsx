import { NewGuide, type Folder } from '@jackdaw/contracts/library'
import { GuideKind } from '@jackdaw/core/guides'
import type { FolderId } from '@jackdaw/core/shared'
import { useNavigate } from 'react-router'
import { kindName } from '../guides/kindName'
import { Select, TextField } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { FOLDER_VALUE, FolderField } from './FolderField'
import { useCreateGuide } from './queries'

export function NewGuideDialog({ folder, folders, onClose }: { folder: FolderId | undefined; folders: Folder[]; onClose: () => void }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const create = useCreateGuide()
  const { register, sending, faultOf } = useFormOf(NewGuide, { title: '', kind: 'how-to', folderId: folder ?? null })
  return (
    <FormDialog
      title={t('New guide')}
      yes={t('Begin to write')}
      send={create}
      onClose={onClose}
      onSubmit={sending((body) => create.mutate(body, { onSuccess: ({ id }) => void navigate(`/guides/${id}/edit`) }))}
    >
      <TextField label={t('Title')} autoFocus maxLength={300} {...register('title')} error={faultOf('title')} />
      <Select label={t('Kind')} {...register('kind')}>
        {GuideKind.options.map((kind) => (
          <option key={kind} value={kind}>
            {kindName(kind, t)}
          </option>
        ))}
      </Select>
      <FolderField label={t('Folder')} field={register('folderId', FOLDER_VALUE)} folders={folders} />
    </FormDialog>
  )
}
