import { indexOf } from '@jackdaw/core/flow'
import type { Play, PlayerState } from '@jackdaw/core/players'

/** Whether nothing is left to be done at a step, or a quiz, while it is read. */
export function isPassedIn({ script, settled }: Play, state: PlayerState, id: string): boolean {
  const quiz = script.steps[indexOf(script, id)]?.quiz ?? null
  if (quiz !== null) return settled.has(id) && (quiz !== 'nothing' || state.seen.includes(id))
  return (script.confirmSteps ? state.confirmed : state.seen).includes(id)
}

/** On a narrow screen the ruler lies flat along the top. */
export function FlatRuler({ play, state }: { play: Play; state: PlayerState }) {
  return (
    <div className="lg:hidden print:hidden flex items-end gap-[2px] h-4 mx-4 border-b-2 border-ink" aria-hidden>
      {play.script.steps.map(({ id }) => (
        <span
          key={id}
          className={`flex-1 ${id === state.at ? 'h-4 bg-kingfisher' : isPassedIn(play, state, id) ? 'h-2.5 bg-moss' : 'h-1.5 bg-edge'}`}
        />
      ))}
    </div>
  )
}
