import { GuidePlace, type Folder, type GuideRow } from '@jackdaw/contracts/library'
import { showToast } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { FOLDER_VALUE, FolderField } from './FolderField'
import { useChangeGuides } from './queries'

/** Moves guides to a folder; says so, with the way back to where each was. */
export function MoveDialog({ guides, folders, onClose }: { guides: readonly GuideRow[]; folders: Folder[]; onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeGuides()
  const [first] = guides
  const together = guides.every((guide) => guide.folderId === first?.folderId)
  const { register, sending } = useFormOf(GuidePlace, { folderId: together ? (first?.folderId ?? null) : null })
  const moved = () => {
    onClose()
    showToast(t('{{count}} guides are moved', { count: guides.length }), () => {
      for (const from of new Set(guides.map((guide) => guide.folderId)))
        change.mutate({ guides: guides.filter((guide) => guide.folderId === from), folderId: from })
    })
  }
  return (
    <FormDialog
      title={
        guides.length === 1 ? t('Move “{{title}}”', { title: first?.title ?? '' }) : t('Move {{count}} guides', { count: guides.length })
      }
      yes={t('Move')}
      send={change}
      onClose={onClose}
      onSubmit={sending(({ folderId }) => change.mutate({ guides, folderId }, { onSuccess: moved }))}
    >
      <FolderField label={t('Into')} field={register('folderId', FOLDER_VALUE)} folders={folders} />
    </FormDialog>
  )
}
