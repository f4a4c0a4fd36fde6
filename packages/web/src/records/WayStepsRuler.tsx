import type { StepWay, WayStep } from '@jackdaw/contracts/records'
import { hardestStep } from '@jackdaw/core/records'
import type { GuideId } from '@jackdaw/core/shared'
import { useTexts, type Texts } from '../ui/words/texts'
import { Loaded, percentOf, StepRuler, type RulerMark } from '../ui'
import { useWaySteps } from './queries'

/** How the steps went in Practise or Solo, on the ruler: the bar is the share that was right at once. */
export function WayStepsRuler({ id, way }: { id: GuideId; way: StepWay }) {
  const { t } = useTexts()
  const query = useWaySteps(id, way, true)
  return (
    <>
      <h2 className="text-lg">{way === 'solo' ? t('Where Solo goes wrong') : t('Where practising is hard')}</h2>
      <Loaded query={query}>
        {({ people, steps }) => (
          <>
            <p className="text-sm text-soft mb-3">
              {people === 0
                ? t('Nobody has done it yet.')
                : way === 'solo'
                  ? t('{{count}} people took it. The bar is the share that was right at the first try.', { count: people })
                  : t('{{count}} people practised. The bar is the share that was right at the first try and without help.', {
                      count: people,
                    })}
            </p>
            <StepRuler marks={marksOf(steps, t)} label={t('Right at the first try, by step')} />
          </>
        )}
      </Loaded>
    </>
  )
}

function marksOf(steps: readonly WayStep[], t: Texts['t']): RulerMark[] {
  const hardest = hardestStep(steps)
  return steps.flatMap((step, index): RulerMark[] => {
    const share = step.times === 0 ? undefined : step.rightFirst / step.times
    const mark: RulerMark = {
      id: step.stepId,
      kind: 'step',
      name: step.name || t('Step {{n}}', { n: step.position }),
      number: step.position,
      state: 'open',
      ...(share === undefined ? {} : { bar: share }),
      figure: share !== undefined && (
        <span className="text-xs text-right shrink-0 w-24 pt-0.5 leading-4">
          <span className={`block ${step.stepId === hardest?.stepId ? 'text-brick font-bold' : ''}`}>
            {step.stepId === hardest?.stepId && '▲ '}
            {percentOf(share)} <span className="text-soft">({t('of {{n}}', { n: step.times })})</span>
          </span>
          {(step.helped > 0 || step.failed > 0) && (
            <span className="block text-soft">
              {[step.helped > 0 && t('{{n}} with help', { n: step.helped }), step.failed > 0 && t('{{n}} not done', { n: step.failed })]
                .filter(Boolean)
                .join(', ')}
            </span>
          )}
        </span>
      ),
    }
    const heads = step.section !== '' && step.section !== (steps[index - 1]?.section ?? '')
    return heads ? [{ id: `section ${step.stepId}`, kind: 'section', name: step.section }, mark] : [mark]
  })
}
