import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { stepName, stepsOf } from '@jackdaw/core/guides'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import type { RefObject } from 'react'
import { useLook } from '../../annotations/useLook'
import { CautionView } from '../../guides/CautionView'
import { RichTextView } from '../../guides/RichTextView'
import { StepPicturesView } from '../../players/reader/StepPicturesView'
import { useReaderEdition } from '../../players/useReading'
import { Loaded, Message } from '../../ui'
import { useTexts } from '../../ui/words/texts'

/** A step of a guide to be looked at once more. `title`: what it stands under. */
export type Place = { guideId: GuideId; title: string; stepId: StepId }

type Heading = RefObject<HTMLHeadingElement | null>
/** The steps behind what was missed in an attempt, by their guides. */
export const placesToGoOver = ({ goOver }: Pick<NonNullable<QuizAttempt['result']>, 'goOver'>): Place[] =>
  goOver.flatMap(({ guideId, title, steps }) => steps.map((stepId) => ({ guideId, title, stepId })))

/** A step, only to be looked at: nothing of it goes on record. */
export function StepAgain({ place, heading }: { place: Place; heading: Heading }) {
  return <Loaded query={useReaderEdition(place.guideId)}>{(edition) => <StepShown {...{ edition, place, heading }} />}</Loaded>
}

function StepShown({ edition, place, heading }: { edition: ReaderEdition; place: Place; heading: Heading }) {
  const { t } = useTexts()
  const look = useLook(edition.document.look)
  const steps = stepsOf(edition.document)
  const n = steps.findIndex(({ id }) => id === place.stepId)
  const step = steps[n]
  if (!step) return <Message tone="warn" title={t('This step is not there any more. Go on with the next.')} />
  return (
    <>
      <p className="text-sm text-soft mb-2">
        {place.title && `${place.title} · `}
        {t('Step {{n}}', { n: n + 1 })}
      </p>
      <h2 ref={heading} tabIndex={-1} className="sr-only">
        {stepName(step)}
      </h2>
      <div className="space-y-3">
        {(step.cautions ?? []).map((caution) => (
          <CautionView key={caution.id} caution={caution} />
        ))}
      </div>
      <RichTextView text={step.body} className="reader-text" leadsAway />
      {step.pictures.length > 0 && <StepPicturesView {...{ edition, step, look }} />}
    </>
  )
}
