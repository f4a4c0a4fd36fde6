import type { PlanGiving } from '@jackdaw/contracts/plans'
import type { PlanId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, Loaded, whenOf } from '../ui'
import { Question } from '../ui/over/Question'
import { useTexts } from '../ui/words/texts'
import { useEndPlanGiving, usePlanGivings } from './queries'

/** To which audiences a plan is given, where it is to any. */
export function PlanGivings({ planId }: { planId: PlanId }) {
  const { t } = useTexts()
  const [ending, setEnding] = useState<PlanGiving | null>(null)
  return (
    <Loaded query={usePlanGivings(planId)}>
      {(givings) =>
        givings.length > 0 && (
          <section>
            <h2 className="text-lg border-b-2 border-ink">{t('Given to audiences')}</h2>
            <ul>
              {givings.map((giving) => (
                <li key={giving.id} className="py-2 border-b border-hair">
                  <span className="font-serif">{giving.audience.name ?? giving.audience.sentence}</span>
                  <span className="block text-sm text-soft">
                    {t('{{count}} people', { count: giving.people })} · {whenOf(giving.givenAt)}, {giving.givenBy.name}
                  </span>
                  <Button className="mt-1" onClick={() => setEnding(giving)}>
                    {t('End it …')}
                  </Button>
                </li>
              ))}
            </ul>
            {ending && <End {...{ planId, giving: ending }} onClose={() => setEnding(null)} />}
          </section>
        )
      }
    </Loaded>
  )
}

function End({ planId, giving, onClose }: { planId: PlanId; giving: PlanGiving; onClose: () => void }) {
  const { t } = useTexts()
  const end = useEndPlanGiving(planId, giving.id)
  return (
    <Question
      title={t('End it for “{{audience}}”?', { audience: giving.audience.name ?? giving.audience.sentence })}
      about={t('Nobody new begins the plan. Who goes through it goes on.')}
      yes={t('End it')}
      pending={end.isPending}
      error={end.error}
      onYes={() => end.mutate(undefined, { onSuccess: onClose })}
      onNo={onClose}
    />
  )
}
