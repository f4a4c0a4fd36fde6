import type { ReaderEdition } from '@jackdaw/contracts/reading'
import type { Side } from '@jackdaw/core/annotations'
import { stepName, type Look, type Step, type StepPicture } from '@jackdaw/core/guides'
import type { choicesAt, Safety } from '@jackdaw/core/players'
import { Check } from 'lucide-react'
import { memo, Suspense, useRef } from 'react'
import { useNear } from '../../annotations/useNear'
import { RichTextView } from '../../guides/RichTextView'
import { SomethingWrong } from '../../remarks/SomethingWrong'
import { Button } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { PictureView } from '../picture/PictureView'
import { NotReadyStrip, StepSafetyView, WaysOn } from '../reader/parts'
import { useIsGuest } from '../readBy'
import { DRAFT } from '../used'

/** What is done at a step of the page, by the step's id. */
export type AtStep = (id: string, does: 'acknowledge' | 'confirm' | { choose: string }) => void

type Props = {
  edition: ReaderEdition
  step: Step
  /** Its number, from 1. */
  n: number
  look: Look
  prefer: Side | null
  /** Whether there are cautions to be acknowledged. */
  waiting: boolean
  /** Whether it is to be confirmed, was, or need not be. */
  confirm: 'asked' | 'done' | 'none'
  choices: ReturnType<typeof choicesAt>
  /** Everything is shown at once, to be printed. */
  printing: boolean
  atStep: AtStep
}

const safetyOf = (step: Step, waiting: boolean): Safety => ({
  cautions: (step.cautions ?? []).filter((caution) => caution.words.trim() !== ''),
  signs: step.signs ?? [],
  guideSigns: [],
  waiting,
})

/** The pictures of so many steps are on the first screen. */
const ON_FIRST_SCREEN = 2

/** A picture that is drawn when it comes near the screen, or at once. */
function NearPicture({
  edition,
  step,
  picture,
  look,
  prefer,
  atOnce,
}: Pick<Props, 'edition' | 'step' | 'look' | 'prefer'> & { picture: StepPicture; atOnce: boolean }) {
  const box = useRef<HTMLDivElement>(null)
  const near = useNear(box)
  return (
    <div ref={box}>
      <PictureView
        guideId={edition.guideId}
        edition={edition.edition}
        sizes={edition.pictureSizes}
        near={near || atOnce}
        {...{ step, picture, look, prefer }}
      />
    </div>
  )
}

/** A step on the page: its number on the ruler, cautions first, then what is to be done, with its pictures. */
export const PageStep = memo(function PageStep({ edition, step, n, look, prefer, waiting, confirm, choices, printing, atStep }: Props) {
  const { t } = useTexts()
  const guest = useIsGuest()
  const safety = safetyOf(step, waiting)
  return (
    <article
      id={`step-${step.id}`}
      data-step={step.id}
      className="page-step relative pl-10 py-4 scroll-mt-20 before:absolute before:-left-1 before:top-7 before:w-2 before:h-0.5 before:bg-edge"
    >
      <h3 tabIndex={-1} className="absolute left-0 top-4 w-8 text-right font-semibold tabular-nums outline-none" data-step-head>
        <span aria-hidden>{n}</span>
        <span className="sr-only">{t('Step {{n}}: {{name}}', { n, name: stepName(step) })}</span>
      </h3>
      {step.notReady && (
        <Suspense>
          <NotReadyStrip why={step.notReadyWhy ?? ''} />
        </Suspense>
      )}
      {(safety.cautions.length > 0 || safety.signs.length > 0) && (
        <div className="mb-3">
          <Suspense fallback={<p role="status">{t('Cautions are coming …')}</p>}>
            <StepSafetyView stepId={step.id} safety={safety} onAcknowledge={() => atStep(step.id, 'acknowledge')} />
          </Suspense>
        </div>
      )}
      <RichTextView text={step.body} className="guide-text" />
      {step.pictures.length > 0 && (
        <div className="mt-3 space-y-3">
          {step.pictures.map((picture) => (
            <NearPicture key={picture.id} {...{ edition, step, picture, look, prefer }} atOnce={printing || n <= ON_FIRST_SCREEN} />
          ))}
        </div>
      )}
      {confirm === 'asked' && (
        <Button
          look="primary"
          className="min-h-14 px-5 mt-3 text-lg print:hidden"
          disabled={waiting}
          onClick={() => atStep(step.id, 'confirm')}
        >
          <Check size={20} aria-hidden />
          {t('Confirm step {{n}}', { n })}
        </Button>
      )}
      {confirm === 'done' && <p className="text-moss font-semibold mt-2 print:hidden">✓ {t('You have confirmed this step')}</p>}
      {choices && (
        <Suspense>
          <WaysOn ask={choices.ask} ways={choices.ways} onChoose={(id) => atStep(step.id, { choose: id })} />
        </Suspense>
      )}
      {edition.edition !== DRAFT && !guest && (
        <SomethingWrong
          className="mt-2 print:hidden"
          about={{ guideId: edition.guideId, edition: edition.edition, stepId: step.id, way: 'read' }}
        />
      )}
    </article>
  )
})
