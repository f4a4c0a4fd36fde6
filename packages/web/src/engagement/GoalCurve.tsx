import type { GoalResult } from '@jackdaw/contracts/goals'
import { Suspense } from 'react'
import { lazyPart, Waiting } from '../ui'
import { useTexts } from '../ui/words/texts'

const Chart = lazyPart(async () => (await import('../ui/chart/Chart')).Chart)

/** The share that has come to a step, with where it may well lie, by the time since the one before. @param n which step, from 0 */
export function GoalCurve({ step, n }: { step: GoalResult['steps'][number]; n: number }) {
  const { t } = useTexts()
  if (step.curve.length === 0) return null
  return (
    <Suspense fallback={<Waiting what={t('The chart is coming …')} />}>
      <Chart
        as="lines"
        title={step.unit === 'hour' ? t('Of 100, reached after so many hours') : t('Of 100, reached after so many days')}
        head={step.unit === 'hour' ? t('Hours') : t('Days')}
        says={t('In the end {{share}} of 100 had reached it', { share: Math.round((step.curve.at(-1)?.share ?? 0) * 100) })}
        file={`goal-${n + 1}`}
        along={step.curve.map(({ at }) => String(at))}
        written={(at) => at}
        lines={[
          { name: t('reached'), values: step.curve.map(({ share }) => Math.round(share * 100)) },
          { name: t('at least'), values: step.curve.map(({ low }) => Math.round(low * 100)) },
          { name: t('at most'), values: step.curve.map(({ high }) => Math.round(high * 100)) },
        ]}
      />
    </Suspense>
  )
}
