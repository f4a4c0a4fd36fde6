import { toAcknowledge, type SignId } from '@jackdaw/core/guides'
import type { Safety } from '@jackdaw/core/players'
import { useEffect, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { SignView } from '../../annotations'
import { CautionView } from '../../guides/CautionView'
import { Button } from '../../ui'

/** Cautions and signs of a step; where it is asked for, the person says that each was read before going on. */
export function StepSafetyView({ stepId, safety, onAcknowledge }: { stepId: string; safety: Safety; onAcknowledge: () => void }) {
  const { t } = useTexts()
  const [read, setRead] = useState<ReadonlySet<string>>(new Set())
  useEffect(() => setRead(new Set()), [stepId])
  const { cautions, signs, guideSigns, waiting } = safety
  const asked = toAcknowledge(cautions)
  const say = (id: string) => {
    const next = new Set([...read, id])
    setRead(next)
    if (asked.every((caution) => next.has(caution.id))) onAcknowledge()
  }
  return (
    <div className="space-y-3">
      {cautions.map((caution) => (
        <CautionView key={caution.id} caution={caution}>
          {caution.acknowledge &&
            (waiting && !read.has(caution.id) ? (
              <Button look="primary" className="min-h-14 px-5 mt-2 text-lg w-full sm:w-auto" onClick={() => say(caution.id)}>
                {t('I have read this')}
              </Button>
            ) : (
              <p className="text-moss font-semibold mt-1">✓ {t('You have said that you read this')}</p>
            ))}
        </CautionView>
      ))}
      <Signs ids={guideSigns} label={t('Safety signs for the whole guide')} />
      <Signs ids={signs} label={t('Safety signs for this step')} />
    </div>
  )
}

/** Signs with what they say. */
function Signs({ ids, label }: { ids: readonly SignId[]; label: string }) {
  if (ids.length === 0) return null
  return (
    <ul className="flex flex-wrap gap-x-5 gap-y-2" aria-label={label}>
      {ids.map((id) => (
        <li key={id}>
          <SignView id={id} sizePx={56} named />
        </li>
      ))}
    </ul>
  )
}
