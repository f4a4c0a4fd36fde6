import type * as z from 'zod/mini'
import { NewGuide, type Folder } from '@jackdaw/contracts/library'
import { GuideKind } from '@jackdaw/core/guides'
import type { FolderId } from '@jackdaw/core/shared'
import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import { useTexts } from '../ui/words/texts'
import { useNavigate } from 'react-router'
import { kindName } from '../guides/kindName'
import { Button, Failed, Select, TextField } from '../ui'
import { Dialog } from '../ui/over/Dialog'
import { FolderOptions } from './FolderOptions'
import { useCreateGuide } from './queries'

export function NewGuideDialog({ folder, folders, onClose }: { folder: FolderId | undefined; folders: Folder[]; onClose: () => void }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const create = useCreateGuide()
  const { register, handleSubmit, formState } = useForm<z.input<typeof NewGuide>, unknown, NewGuide>({
    resolver: zodResolver(NewGuide),
    defaultValues: { title: '', kind: 'how-to', folderId: folder ?? null },
  })
  const submit = handleSubmit((body) => {
    if (!create.isPending) create.mutate(body, { onSuccess: ({ id }) => void navigate(`/guides/${id}/edit`) })
  })
  return (
    <Dialog open onClose={onClose} title={t('New guide')}>
      <form className="space-y-4" noValidate onSubmit={(event) => void submit(event)}>
        <TextField
          label={t('Title')}
          autoFocus
          maxLength={300}
          {...register('title')}
          error={formState.errors.title?.message && t(formState.errors.title.message)}
        />
        <Select label={t('Kind')} {...register('kind')}>
          {GuideKind.options.map((kind) => (
            <option key={kind} value={kind}>
              {kindName(kind, t)}
            </option>
          ))}
        </Select>
        <Select label={t('Folder')} {...register('folderId', { setValueAs: (value: string | null) => value || null })}>
          <option value="">{t('No folder')}</option>
          <FolderOptions folders={folders} />
        </Select>
        {create.isError && <Failed error={create.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button type="submit" look="primary" disabled={create.isPending}>
            {t('Begin to write')}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
