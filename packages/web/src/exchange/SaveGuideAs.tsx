import type { GuideDocument } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import { SaveAsDialog, saveAsOf } from './SaveAsDialog'

/** Saves a guide that is at hand as a file. */
export function SaveGuideAs({
  guideId,
  document,
  published,
  draft,
  onClose,
}: {
  guideId: GuideId
  document: GuideDocument
  published: boolean
  draft: boolean
  onClose: () => void
}) {
  return <SaveAsDialog asked={saveAsOf({ guideId, document }, { published, draft })} onClose={onClose} />
}
