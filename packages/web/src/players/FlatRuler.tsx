import { indexOf } from '@jackdaw/core/flow'
import type { Play, PlayerState } from '@jackdaw/core/players'
import { memo, useMemo } from 'react'
import { useWhereverOneIs } from './whereverOneIs'

/** Whether nothing is left to be done at a step, or a quiz, while it is read. */
export function isPassedIn({ script, settled }: Play, state: PlayerState, id: string): boolean {
  const quiz = script.steps[indexOf(script, id)]?.quiz ?? null
  if (quiz !== null) return settled.has(id) && (quiz !== 'nothing' || state.seen.includes(id))
  return (script.confirmSteps ? state.confirmed : state.seen).includes(id)
}

const TICK = { here: 'h-4 bg-kingfisher', passed: 'h-2.5 bg-moss', left: 'h-1.5 bg-edge' }
const FlatTick = memo(function FlatTick({ is }: { is: keyof typeof TICK }) {
  return <span className={`flex-1 ${TICK[is]}`} />
})

/** On a narrow screen the ruler lies flat along the top. */
export function FlatRuler({ play, state }: { play: Play; state: PlayerState }) {
  const done = useWhereverOneIs(state)
  const passed = useMemo(() => play.script.steps.map(({ id }) => isPassedIn(play, done, id)), [play, done])
  return (
    <div className="lg:hidden print:hidden flex items-end gap-[2px] h-4 mx-4 border-b-2 border-ink" aria-hidden>
      {play.script.steps.map(({ id }, n) => (
        <FlatTick key={id} is={id === state.at ? 'here' : passed[n] ? 'passed' : 'left'} />
      ))}
    </div>
  )
}
