import { getEditionPicture } from '@jackdaw/contracts/guides'
import type { StepPicture } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import { addressOf } from '../api'

/** A picture of an edition; its place is kept free while it comes, and a press shows it in full. */
export function PictureView({
  guideId,
  edition,
  picture,
  size,
}: {
  guideId: GuideId
  edition: number
  picture: StepPicture
  size: { widthPx: number; heightPx: number } | undefined
}) {
  const { t } = useTranslation()
  const [failed, setFailed] = useState(0)
  const address = (kind: 'screen' | 'full') => addressOf(getEditionPicture, { id: guideId, edition, pictureId: picture.id }, { size: kind })
  if (failed > 0)
    return (
      <p className="border border-hair p-4 text-soft">
        {t('The picture could not be fetched.')} {picture.alt}{' '}
        <button type="button" className="text-petrol underline" onClick={() => setFailed(0)}>
          {t('Try again')}
        </button>
      </p>
    )
  return (
    <a
      href={address('full')}
      target="_blank"
      rel="noopener"
      className="block w-fit max-w-full border border-hair"
      aria-label={t('{{alt}} (opens the full picture)', { alt: picture.alt || t('Picture') })}
    >
      <img
        src={address('screen')}
        alt={picture.alt}
        width={size?.widthPx}
        height={size?.heightPx}
        decoding="async"
        className="h-auto max-w-full max-h-[56vh] w-auto object-contain"
        onError={() => setFailed((n) => n + 1)}
      />
    </a>
  )
}
