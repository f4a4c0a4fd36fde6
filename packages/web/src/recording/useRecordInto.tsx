import type { ItemId } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import { useState, type ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'
import { RecordDialog } from './RecordDialog'

/** Recording into a place in a guide: asks for it after an item (`null`: at the beginning), and the dialog that it opens. */
export function useRecordInto(guideId: GuideId, language: string): { after: (itemId: ItemId | null) => void; dialog: ReactNode } {
  const { t } = useTexts()
  const [after, setAfter] = useState<ItemId | null | undefined>(undefined)
  const into =
    after === null ? t('The steps go to the beginning of this guide.') : t('The steps go into this guide, after the one selected.')
  return {
    after: setAfter,
    dialog: after !== undefined && (
      <RecordDialog target={{ guideId, after }} language={language} into={into} onClose={() => setAfter(undefined)} />
    ),
  }
}
