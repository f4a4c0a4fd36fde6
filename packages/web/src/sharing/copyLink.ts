import type { GuideId } from '@jackdaw/core/shared'
import { useCallback } from 'react'
import { showToast } from '../ui'
import { copyText } from '../ui/copyText'
import { useTexts } from '../ui/words/texts'

/** Address of a guide, or of one of its steps, for those who are signed in. */
const guideAddress = (guideId: GuideId, stepId: string | null = null): string =>
  `${location.origin}/guides/${guideId}${stepId === null ? '' : `?step=${stepId}`}`

/** Copies a text, and says so; where it cannot be copied it is said whole, to be copied by hand. */
export function useCopy(): (text: string, done: string) => Promise<void> {
  const { t } = useTexts()
  return useCallback(
    async (text, done) => {
      showToast((await copyText(text)) ? done : t('It could not be copied. Copy it by hand: {{text}}', { text }))
    },
    [t],
  )
}

/** Copies the address of a guide, or of one of its steps. */
export function useCopyLink(guideId: GuideId): (stepId: string | null) => void {
  const { t } = useTexts()
  const copy = useCopy()
  return useCallback(
    (stepId) =>
      void copy(
        guideAddress(guideId, stepId),
        stepId === null
          ? t('The link is copied. It is for people who sign in and may read the guide.')
          : t('The link to this step is copied. It is for people who sign in and may read the guide.'),
      ),
    [guideId, copy, t],
  )
}
