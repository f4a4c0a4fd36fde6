import { memo, type ReactNode } from 'react'
import { useTexts } from './words/texts'

/** A mark on the ruler: a step, or a section with its heading. */
export type RulerMark = {
  id: string
  kind: 'step' | 'section'
  name: string
  number?: number
  state?: 'done' | 'here' | 'open' | 'shut'
  bar?: number
  figure?: ReactNode
}

const TICK = { done: 'bg-moss', here: 'bg-kingfisher', open: 'bg-edge', shut: 'bg-hair' }

/** The step ruler: a vertical rule with a tick for each step and a long tick with a heading for each section. It leads to the
 * steps, tells how far one is, and carries figures, each as wide as its share. */
export function StepRuler({
  marks,
  label,
  onPick,
}: {
  marks: readonly RulerMark[]
  label: string
  onPick?: ((id: string) => void) | undefined
}) {
  return (
    <nav aria-label={label}>
      <ol className="relative border-l-2 border-ink">
        {marks.map((mark) =>
          mark.kind === 'section' ? <SectionTick key={mark.id} mark={mark} /> : <StepTick key={mark.id} mark={mark} onPick={onPick} />,
        )}
      </ol>
    </nav>
  )
}

function SectionTick({ mark }: { mark: RulerMark }) {
  return (
    <li className="flex items-center gap-2 pt-3 pb-1">
      <span className="h-0.5 w-7 bg-ink shrink-0" aria-hidden />
      <span className="text-sm font-semibold leading-tight">{mark.name}</span>
    </li>
  )
}

type Tick = { mark: RulerMark; onPick?: ((id: string) => void) | undefined }
/** Whether two ticks look alike: marks are made anew each time that somebody goes on, and nearly all are as they were. */
const looksAlike = (before: Tick, now: Tick): boolean =>
  before.onPick === now.onPick &&
  (['id', 'kind', 'name', 'number', 'state', 'bar', 'figure'] as const).every((key) => before.mark[key] === now.mark[key])

const StepTick = memo(function StepTick({ mark, onPick }: Tick) {
  const { t } = useTexts()
  const state = mark.state ?? 'open'
  const inside = (
    <>
      <span className="w-5 shrink-0" aria-hidden>
        <span className={`block ${state === 'here' ? 'w-5 h-1.5 mt-[11px]' : 'w-3.5 h-0.5 mt-[13px]'} ${TICK[state]}`} />
      </span>
      <span className={`text-xs tabular-nums w-5 shrink-0 text-right mt-1 ${state === 'here' ? 'font-bold' : 'text-soft'}`}>
        {mark.number}
      </span>
      <span
        className={`text-sm leading-5 py-0.5 text-left grow min-w-0 ${state === 'here' ? 'font-bold' : ''} ${state === 'shut' ? 'text-soft' : ''}`}
      >
        <span className="line-clamp-2">{mark.name}</span>
        {state === 'done' && <span className="sr-only"> ({t('Done')})</span>}
        {mark.bar !== undefined && (
          <span className="block h-1.5 mt-1 bg-hair" aria-hidden>
            <span className="block h-full bg-petrol" style={{ width: `${Math.round(mark.bar * 100)}%` }} />
          </span>
        )}
      </span>
      {state === 'done' && (
        <span className="text-moss text-xs mt-1" aria-hidden>
          ✓
        </span>
      )}
      {mark.figure}
    </>
  )
  const row = 'flex items-start gap-1.5 w-full min-h-8 pr-2'
  return (
    <li>
      {onPick ? (
        <button
          type="button"
          className={`${row} hover:bg-wash disabled:hover:bg-transparent`}
          aria-current={state === 'here' ? 'step' : undefined}
          disabled={state === 'shut'}
          onClick={() => onPick(mark.id)}
        >
          {inside}
        </button>
      ) : (
        <div className={row}>{inside}</div>
      )}
    </li>
  )
}, looksAlike)
