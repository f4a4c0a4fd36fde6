import { Button, chosen, Failed, Select } from '../ui'
import type { Folder, GuideRow } from '@jackdaw/contracts/library'
import type { FolderId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useTexts } from '../ui/texts'
import { Dialog } from '../ui/Dialog'
import { FolderOptions } from './FolderOptions'
import { useChangeGuide } from './queries'

export function MoveDialog({ guide, folders, onClose }: { guide: GuideRow; folders: Folder[]; onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeGuide(guide.id)
  const [folderId, setFolderId] = useState<FolderId | null>(guide.folderId)
  return (
    <Dialog open onClose={onClose} title={t('Move “{{title}}”', { title: guide.title })}>
      <form
        className="space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (!change.isPending) change.mutate({ folderId }, { onSuccess: onClose })
        }}
      >
        <Select label={t('Into')} value={folderId ?? ''} onChange={chosen((value: FolderId | '') => setFolderId(value || null))}>
          <option value="">{t('No folder')}</option>
          <FolderOptions folders={folders} />
        </Select>
        {change.isError && <Failed error={change.error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button type="submit" look="primary" disabled={change.isPending}>
            {t('Move')}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
