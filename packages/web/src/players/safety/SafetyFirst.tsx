import type { Safety } from '@jackdaw/core/players'
import { ArrowLeft } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { useTexts } from '../../ui/words/texts'
import { SignView } from '../../annotations'
import { SignalWord } from '../../guides/CautionView'
import { Button } from '../../ui'
import { StepSafetyView } from './StepSafetyView'

/** The safety of the step that a player shows, and what is done about it. */
export type StageSafety = Safety & { stepId: string; onAcknowledge: () => void; onBack?: (() => void) | undefined }

/** In the place of the step until its cautions are acknowledged. */
export function SafetyFirst({ safety }: { safety: StageSafety }) {
  const { t } = useTexts()
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus({ preventScroll: true }), [safety.stepId])
  return (
    <div className="w-full max-w-[760px] mx-auto px-4 py-6" data-safety-first>
      <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl mb-4 outline-none">
        {t('Before you go on')}
      </h1>
      <StepSafetyView stepId={safety.stepId} safety={safety} onAcknowledge={safety.onAcknowledge} />
    </div>
  )
}

/** The bar meanwhile: it says what is waited for, and leads back. */
export function SafetyBar({ safety }: { safety: StageSafety }) {
  const { t } = useTexts()
  return (
    <div className="flex items-center gap-2 max-w-[1180px] mx-auto">
      {safety.onBack && (
        <Button className="min-h-14 px-4 text-lg" onClick={safety.onBack}>
          <ArrowLeft size={20} aria-hidden />
          {t('Back')}
        </Button>
      )}
      <p className="grow text-right text-soft">{t('It goes on once you have said that you read this.')}</p>
    </div>
  )
}

/** Above the step for as long as it is shown: one line for each caution, and the signs. Its height is told to what is below, so that the picture
 * still fits. */
export function SafetyStrip({ safety }: { safety: StageSafety }) {
  const { t } = useTexts()
  const box = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const { current } = box
    const stage = current?.closest<HTMLElement>('[data-stage]')
    if (!current || !stage) return
    const measure = () => stage.style.setProperty('--safety-height', `${current.offsetHeight}px`)
    const observer = new ResizeObserver(measure)
    observer.observe(current)
    measure()
    return () => {
      observer.disconnect()
      stage.style.removeProperty('--safety-height')
    }
  })
  const { cautions } = safety
  const signs = [...new Set([...safety.guideSigns, ...safety.signs])]
  if (cautions.length === 0 && signs.length === 0) return null
  return (
    <div
      ref={box}
      role="region"
      aria-label={t('Cautions and signs')}
      tabIndex={0}
      className="bg-sheet border-b border-hair px-3 md:px-6 py-1.5 flex flex-wrap items-start gap-x-4 gap-y-1 max-h-[22dvh] overflow-auto shrink-0"
    >
      {cautions.map((caution) => (
        <p key={caution.id} className="flex items-start gap-2 min-w-0 grow basis-80" data-caution={caution.level}>
          <SignalWord level={caution.level} />
          <span className="whitespace-pre-line pt-1">{caution.words}</span>
        </p>
      ))}
      {signs.length > 0 && (
        <ul className="flex flex-wrap gap-2" aria-label={t('Safety signs')}>
          {signs.map((id) => (
            <li key={id}>
              <SignView id={id} sizePx={38} />
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
