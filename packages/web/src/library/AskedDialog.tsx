import type { Folder, GuideRow } from '@jackdaw/contracts/library'
import type { FolderId } from '@jackdaw/core/shared'
import { SaveAsDialog, type SaveAs } from '../exchange/SaveAsDialog'
import { RecordDialog } from '../recording'
import { useTexts } from '../ui/words/texts'
import { DuplicateDialog } from './DuplicateDialog'
import { ImportDialog } from './ImportDialog'
import { MoveDialog } from './MoveDialog'
import { NewGuideDialog } from './NewGuideDialog'
import { RenameDialog } from './RenameDialog'

/** What somebody wants to do in the library that has to be asked about first. */
export type Asked =
  | { what: 'new'; title?: string }
  | { what: 'import' | 'record' }
  | { what: 'save-as'; as: SaveAs }
  | { what: 'rename' | 'duplicate'; guide: GuideRow }
  | { what: 'move'; guides: readonly GuideRow[] }

/** The dialog for what somebody wants to do. */
export function AskedDialog({
  asked,
  folder,
  folders,
  onClose,
}: {
  asked: Asked
  folder: FolderId | undefined
  folders: Folder[]
  onClose: () => void
}) {
  const { t } = useTexts()
  switch (asked.what) {
    case 'new':
      return <NewGuideDialog {...{ folder, folders, onClose }} title={asked.title ?? ''} />
    case 'import':
      return <ImportDialog {...{ folder, folders, onClose }} />
    case 'record':
      return <RecordDialog target={null} into={t('Every action becomes a step of a new guide.')} onClose={onClose} />
    case 'rename':
      return <RenameDialog guide={asked.guide} onClose={onClose} />
    case 'duplicate':
      return <DuplicateDialog guide={asked.guide} folders={folders} onClose={onClose} />
    case 'save-as':
      return <SaveAsDialog asked={asked.as} onClose={onClose} />
    case 'move':
      return <MoveDialog guides={asked.guides} folders={folders} onClose={onClose} />
  }
}
