import { nth } from '@jackdaw/core/shared'
import { ArrowLeft, ArrowRight, Undo2 } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Button } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { BottomBar } from '../taking/BottomBar'
import { StepAgain } from '../taking/StepAgain'
import type { LookUp } from './lookUp'

/** The steps in place of the quiz, and the way back to it. @param left of how many questions the answer is still to be given; `null` before it is begun */
export function LookingUp({ looking, left, onBack }: { looking: LookUp; left: number | null; onBack: () => void }) {
  const { t } = useTexts()
  const { title, places } = looking
  const [at, setAt] = useState(looking.at)
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => {
    heading.current?.focus({ preventScroll: true })
    window.scrollTo(0, 0)
  }, [at])
  const here = nth(places, at)
  return (
    <>
      <p className="text-sm font-semibold border-l-4 border-petrol pl-3 mb-4">
        {title || t('The steps so far')} · {t('{{n}} of {{all}}', { n: at + 1, all: places.length })}
        {left !== null && <span className="font-normal text-soft"> · {t('The quiz waits; your answers are kept.')}</span>}
      </p>
      <StepAgain key={here.stepId} place={here} heading={heading} />
      <BottomBar inGuide>
        <Button className="min-h-14 px-4" disabled={at === 0} onClick={() => setAt(at - 1)}>
          <ArrowLeft size={20} aria-hidden />
          <span className="max-sm:sr-only">{t('Step before')}</span>
        </Button>
        <Button className="min-h-14 px-4" disabled={at === places.length - 1} onClick={() => setAt(at + 1)}>
          <span className="max-sm:sr-only">{t('Next step')}</span>
          <ArrowRight size={20} aria-hidden />
        </Button>
        <span className="grow" />
        <Button look="primary" className="min-h-14 px-6 text-lg" onClick={onBack}>
          <Undo2 size={20} aria-hidden />
          {t('Back to the quiz')}
        </Button>
      </BottomBar>
    </>
  )
}
