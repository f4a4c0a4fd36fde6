import { groundOf, type Side } from '@jackdaw/core/annotations'
import type { Look, PictureSizes, Step, StepPicture } from '@jackdaw/core/guides'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import { Maximize2 } from 'lucide-react'
import { Suspense, useCallback, useEffect, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { AnnotatedPicture } from '../../annotations'
import { lazyPart, TextButton } from '../../ui'
import { usePictureAddress } from '../readBy'

const EnlargedPicture = lazyPart(async () => (await import('./EnlargedPicture')).EnlargedPicture)

/** A picture of an edition with what is drawn on it; its place is kept free while it comes, and it can be seen in full. */
export function PictureView({
  guideId,
  edition,
  step,
  picture,
  sizes,
  look,
  prefer,
  near = true,
}: {
  guideId: GuideId
  edition: number
  step: Step
  picture: StepPicture
  sizes: PictureSizes
  look: Look
  prefer: Side | null
  /** Whether it is near the screen; until then only its room is kept. */
  near?: boolean
}) {
  const { t } = useTexts()
  const address = usePictureAddress()
  const shown = groundOf(step, picture, sizes[picture.id])?.shown
  const [failed, setFailed] = useState(0)
  const [enlarged, setEnlarged] = useState(false)
  useEffect(() => void EnlargedPicture.preloadAtRest(), [])
  const source = useCallback(
    (id: PictureId, size: 'screen' | 'full' = 'screen') => address(guideId, edition, id, size),
    [guideId, edition, address],
  )
  if (failed > 0)
    return (
      <p className="border border-hair p-4 text-soft">
        {t('The picture could not be fetched.')} {picture.alt} <TextButton onClick={() => setFailed(0)}>{t('Try again')}</TextButton>
      </p>
    )
  return (
    <figure>
      <AnnotatedPicture
        {...{ step, picture, sizes, look, prefer, near }}
        source={source}
        maxHeight="max(56vh, 320px)"
        onFailed={() => setFailed((n) => n + 1)}
      />
      <button
        type="button"
        className="text-sm text-petrol inline-flex items-center gap-1.5 min-h-11 md:min-h-8"
        aria-label={t('Enlarge: {{alt}}', { alt: picture.alt })}
        onClick={() => setEnlarged(true)}
      >
        <Maximize2 size={14} aria-hidden />
        {t('Enlarge')}
      </button>
      {enlarged && (
        <Suspense>
          <EnlargedPicture name={picture.alt} ratio={shown ? shown.width / shown.height : 1.6} onClose={() => setEnlarged(false)}>
            <AnnotatedPicture {...{ step, picture, sizes, look, prefer }} source={(id) => source(id, 'full')} maxHeight="100000px" fills />
          </EnlargedPicture>
        </Suspense>
      )}
    </figure>
  )
}
