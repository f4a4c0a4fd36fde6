import { StateMark } from '../ui'
import { SoloState, type Counts } from '@jackdaw/contracts/records'
import { ItemState } from '@jackdaw/core/items'
import { useTexts } from '../ui/words/texts'

/** How many have passed Solo; each figure leads to the people. */
export function SoloLine({
  counts,
  solo,
  onSolo,
}: {
  counts: { passed: number; notPassed: number; notTaken: number }
  solo: SoloState | undefined
  onSolo: (solo: SoloState) => void
}) {
  const { t } = useTexts()
  if (counts.passed + counts.notPassed === 0) return null
  const of: [SoloState, number, string][] = [
    ['passed', counts.passed, t('passed')],
    ['not-passed', counts.notPassed, t('not passed yet')],
    ['not-taken', counts.notTaken, t('not taken')],
  ]
  return (
    <p className="flex flex-wrap items-center gap-x-4 mt-1">
      <span className="font-semibold">{t('Solo')}</span>
      {of.map(([state, n, words]) => (
        <button
          key={state}
          type="button"
          aria-pressed={solo === state}
          className="inline-flex items-center px-2 min-h-9 border-b-2 border-transparent hover:border-edge aria-pressed:border-petrol aria-pressed:bg-wash"
          onClick={() => onSolo(state)}
        >
          <span className="font-semibold mr-1.5">{n}</span>
          {words}
        </button>
      ))}
    </p>
  )
}

export function CountLine({
  counts,
  state,
  onState,
}: {
  counts: Counts
  state: ItemState | undefined
  onState: (state: ItemState) => void
}) {
  const { t } = useTexts()
  const of: [ItemState, number][] = [
    ['done', counts.done],
    ['in-progress', counts.inProgress],
    ['not-started', counts.notStarted],
    ['due-soon', counts.dueSoon],
    ['late', counts.late],
    ['out-of-date', counts.outOfDate],
    ['waiting', counts.waiting],
    ['waived', counts.waived],
  ]
  return (
    <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
      <p>
        <span className="font-serif text-2xl">{counts.done}</span>{' '}
        <span className="text-soft">{t('of {{people}} done', { people: counts.people - counts.waived })}</span>
      </p>
      {of
        .filter(([name, n]) => n > 0 && name !== 'done')
        .concat(of.filter(([name, n]) => name === 'done' && n > 0))
        .map(([name, n]) => (
          <button
            key={name}
            type="button"
            aria-pressed={state === name}
            className="inline-flex items-center px-2 min-h-9 border-b-2 border-transparent hover:border-edge aria-pressed:border-petrol aria-pressed:bg-wash"
            onClick={() => onState(name)}
          >
            <span className="font-semibold mr-1.5">{n}</span>
            <StateMark state={name} />
          </button>
        ))}
    </div>
  )
}
