import { toAcknowledge, type Step } from '@jackdaw/core/guides'
import { useEffect, useState } from 'react'
import { useTexts } from '../ui/texts'
import { SignView } from '../annotations'
import { CautionView } from '../guides/CautionView'
import { Button } from '../ui'

/** Cautions and signs above a step's text; where it is asked for, the reader says that each was read before going on. */
export function StepSafetyView({ step, waiting, onAcknowledge }: { step: Step; waiting: boolean; onAcknowledge: () => void }) {
  const { t } = useTexts()
  const [read, setRead] = useState<ReadonlySet<string>>(new Set())
  useEffect(() => setRead(new Set()), [step.id])
  const asked = toAcknowledge(step.cautions)
  const say = (id: string) => {
    const next = new Set([...read, id])
    setRead(next)
    if (asked.every((caution) => next.has(caution.id))) onAcknowledge()
  }
  const cautions = (step.cautions ?? []).filter((caution) => caution.words.trim() !== '')
  if (cautions.length === 0 && !step.signs?.length) return null
  return (
    <div className="space-y-3 mb-5">
      {cautions.map((caution) => (
        <CautionView key={caution.id} caution={caution}>
          {caution.acknowledge &&
            (waiting && !read.has(caution.id) ? (
              <Button className="min-h-14 px-5 mt-2 text-lg w-full sm:w-auto" onClick={() => say(caution.id)}>
                {t('I have read this')}
              </Button>
            ) : (
              <p className="text-moss font-semibold mt-1">✓ {t('You have said that you read this')}</p>
            ))}
        </CautionView>
      ))}
      {step.signs && step.signs.length > 0 && (
        <ul className="flex flex-wrap gap-x-5 gap-y-2" aria-label={t('Safety signs for this step')}>
          {step.signs.map((id) => (
            <li key={id}>
              <SignView id={id} sizePx={56} named />
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
