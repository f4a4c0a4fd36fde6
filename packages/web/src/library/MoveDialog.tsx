import { Button, chosen, Failed, Select, showToast } from '../ui'
import type { Folder, GuideRow } from '@jackdaw/contracts/library'
import type { FolderId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useTexts } from '../ui/words/texts'
import { Dialog } from '../ui/over/Dialog'
import { FolderOptions } from './FolderOptions'
import { useChangeGuides } from './queries'

/** Moves guides to a folder; says so, with the way back to where each was. */
export function MoveDialog({ guides, folders, onClose }: { guides: readonly GuideRow[]; folders: Folder[]; onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeGuides()
  const [first] = guides
  const [folderId, setFolderId] = useState<FolderId | null>(
    guides.every((guide) => guide.folderId === first?.folderId) ? (first?.folderId ?? null) : null,
  )
  const moved = () => {
    onClose()
    showToast(t('{{count}} guides are moved', { count: guides.length }), () => {
      for (const from of new Set(guides.map((guide) => guide.folderId)))
        change.mutate({ guides: guides.filter((guide) => guide.folderId === from), folderId: from })
    })
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={
        guides.length === 1 ? t('Move “{{title}}”', { title: first?.title ?? '' }) : t('Move {{count}} guides', { count: guides.length })
      }
    >
      <form
        className="space-y-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (!change.isPending) change.mutate({ guides, folderId }, { onSuccess: moved })
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
