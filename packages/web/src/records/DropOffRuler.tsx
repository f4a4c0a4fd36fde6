import { momentOf, percentOf, type RulerMark, StepRuler } from '../ui'
import { nth, StepId } from '@jackdaw/core/shared'
import { type DropOffStep } from '@jackdaw/contracts/records'
import { biggestLoss, dropOff } from '@jackdaw/core/records'
import { waysWhere } from '@jackdaw/core/ways'
import { useTexts } from '../ui/words/texts'
import { wayName } from '../players/wayName'

/** The ways of which it is known how the steps went. */
export const BY_WAY = waysWhere('counts', 'reading', 'steps')
/** One of them. */
export type By = (typeof BY_WAY)[number]

/** Of which way the ruler tells. */
export function ByWay({ by, onBy }: { by: By; onBy: (by: By) => void }) {
  const { t } = useTexts()
  return (
    <div role="group" aria-label={t('Steps by way of use')} className="flex gap-1 mb-3">
      {BY_WAY.map((way) => (
        <button
          key={way}
          type="button"
          aria-pressed={by === way}
          className="px-3 min-h-9 border-b-2 border-transparent hover:border-edge aria-pressed:border-petrol aria-pressed:bg-wash"
          onClick={() => onBy(way)}
        >
          {wayName(way, t)}
        </button>
      ))}
    </div>
  )
}

/** Where readers stopped, on the ruler: the bar is the share of those who began that got to the step. */
export function DropOffRuler({
  started,
  finished,
  since,
  steps,
  selected,
  onPick,
}: {
  started: number
  finished: number
  since: number | null
  steps: DropOffStep[]
  selected: StepId | undefined
  onPick: (id: StepId) => void
}) {
  const { t } = useTexts()
  const shares = dropOff(steps, started)
  const worst = biggestLoss(steps)
  const marks = steps.flatMap((step, index): RulerMark[] => {
    const share = nth(shares, index)
    const mark: RulerMark = {
      id: step.stepId,
      kind: 'step',
      name: step.name || t('Step {{n}}', { n: step.position }),
      number: step.position,
      state: step.stepId === selected ? 'here' : 'open',
      bar: share.share,
      figure: (
        <span className="text-xs text-right shrink-0 w-20 pt-0.5 leading-4">
          <span className="block">
            {percentOf(share.share)} <span className="text-soft">({step.reached})</span>
          </span>
          {step.stoppedHere > 0 && (
            <span className={`block ${step.stepId === worst?.stepId ? 'text-brick font-bold' : 'text-soft'}`}>
              {step.stepId === worst?.stepId && '▲ '}
              {t('{{n}} stopped', { n: step.stoppedHere })}
            </span>
          )}
        </span>
      ),
    }
    const heads = step.section !== '' && step.section !== (steps[index - 1]?.section ?? '')
    return heads ? [{ id: `section ${step.stepId}`, kind: 'section', name: step.section }, mark] : [mark]
  })
  return (
    <>
      <h2 className="text-lg">{t('Where readers stopped')}</h2>
      <p className="text-sm text-soft mb-3">
        {started === 0 ? t('Nobody has opened it yet.') : t('{{started}} began, {{finished}} finished', { started, finished })}
        {since !== null && `; ${t('since {{day}}', { day: momentOf(since) })}`}.{' '}
        {started > 0 && t('The bar is the share of those who began. Choose a step to see who stopped there.')}
      </p>
      <StepRuler marks={marks} label={t('Drop-off by step')} onPick={(id) => onPick(id as StepId)} />
    </>
  )
}
