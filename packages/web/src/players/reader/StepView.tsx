import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { indexOf } from '@jackdaw/core/flow'
import { stepName, type Step } from '@jackdaw/core/guides'
import { choicesAt, safetyAt, type Play, type PlayerState } from '@jackdaw/core/players'
import { Suspense } from 'react'
import { useLook } from '../../annotations/useLook'
import { RichTextView } from '../../guides/RichTextView'
import { SomethingWrong } from '../../remarks/SomethingWrong'
import { TextButton } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { GuideHead } from '../GuideHead'
import { useIsGuest } from '../readBy'
import { DRAFT } from '../used'
import type { Doing } from '../usePlayer'
import { NotReadyStrip, StepPicturesView, StepSafetyView, WaysOn } from './parts'

export type Heading = React.RefObject<HTMLHeadingElement | null>

export type StepViewProps = {
  play: Play
  state: PlayerState
  act: (doing: Doing) => void
  edition: ReaderEdition
  step: Step
  /** Its number, from 1, of so many. */
  n: number
  of: number
  section: string
  heading: Heading
}

/** A step as it is read. */
export function StepView(props: StepViewProps) {
  const { edition, step, n, of, section, heading } = props
  const { t } = useTexts()
  const look = useLook(edition.document.look)
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="text-sm text-soft font-normal mb-2 outline-none">
        {t('Step {{n}} of {{of}}', { n, of })}
        {section && (
          <>
            {' '}
            · <span className="font-semibold text-ink">{section}</span>
          </>
        )}
        <span className="sr-only">: {stepName(step)}</span>
      </h1>
      {n === 1 && <GuideHead edition={edition} look={look} />}
      {n === 1 && edition.document.summary && <p className="text-soft border-l-2 border-hair pl-3 mb-4">{edition.document.summary}</p>}
      {step.notReady && (
        <Suspense>
          <NotReadyStrip why={step.notReadyWhy ?? ''} />
        </Suspense>
      )}
      <Safety {...props} />
      <RichTextView text={step.body} className="reader-text" />
      {step.pictures.length > 0 && (
        <Suspense fallback={<p className="mt-5 text-soft">{t('The picture is coming …')}</p>}>
          <StepPicturesView edition={edition} step={step} look={look} />
        </Suspense>
      )}
      <AfterStep {...props} />
    </>
  )
}

/** The cautions and signs of the step; those of the whole guide stand in its head. */
function Safety({ edition, step, play, state, act }: StepViewProps) {
  const { t } = useTexts()
  const safety = safetyAt(edition.document, play, state)
  if (!safety || (safety.cautions.length === 0 && safety.signs.length === 0)) return null
  return (
    <div className="mb-5">
      <Suspense fallback={<p role="status">{t('Cautions are coming …')}</p>}>
        <StepSafetyView stepId={step.id} safety={{ ...safety, guideSigns: [] }} onAcknowledge={() => act({ type: 'acknowledge' })} />
      </Suspense>
    </div>
  )
}

/** What can be done at the step besides going on. */
function AfterStep({ edition, step, play, state, act }: StepViewProps) {
  const { t } = useTexts()
  const guest = useIsGuest()
  const choices = choicesAt(play, state)
  return (
    <>
      {play.script.steps[indexOf(play.script, step.id)]?.optional && (
        <p className="mt-5 text-soft">
          {t('You may leave this section out.')}{' '}
          <TextButton onClick={() => act({ type: 'skip-section' })}>{t('Go on after it')}</TextButton>
        </p>
      )}
      {edition.edition !== DRAFT && !guest && (
        <SomethingWrong className="mt-6" about={{ guideId: edition.guideId, edition: edition.edition, stepId: step.id, way: 'read' }} />
      )}
      {choices && (
        <Suspense>
          <WaysOn ask={choices.ask} ways={choices.ways} onChoose={(id) => act({ type: 'choose', id })} />
        </Suspense>
      )}
    </>
  )
}
