import type { ReaderEdition } from '@jackdaw/contracts/reading'
import type { Look, Step } from '@jackdaw/core/guides'
import { usePreferredSides } from '../../annotations'
import { PictureView } from '../picture/PictureView'

/** The pictures of a step with what is drawn on them. */
export function StepPicturesView({ edition, step, look }: { edition: ReaderEdition; step: Step; look: Look }) {
  const sides = usePreferredSides(edition.document, edition.pictureSizes, look)
  return (
    <div className="mt-5 space-y-4">
      {step.pictures.map((picture) => (
        <PictureView
          key={picture.id}
          guideId={edition.guideId}
          edition={edition.edition}
          sizes={edition.pictureSizes}
          prefer={sides.get(step.id) ?? null}
          {...{ step, picture, look }}
        />
      ))}
    </div>
  )
}
