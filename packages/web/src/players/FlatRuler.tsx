import type { Play, PlayerState } from '@jackdaw/core/players'

/** Whether nothing is left to be done at a step while it is read. */
export const isPassedIn = ({ script }: Play, state: PlayerState, id: string): boolean =>
  (script.confirmSteps ? state.confirmed : state.seen).includes(id)

/** On a narrow screen the ruler lies flat along the top. */
export function FlatRuler({ play, state }: { play: Play; state: PlayerState }) {
  return (
    <div className="lg:hidden flex items-end gap-[2px] h-4 mx-4 border-b-2 border-ink" aria-hidden>
      {play.script.steps.map(({ id }) => (
        <span
          key={id}
          className={`flex-1 ${id === state.at ? 'h-4 bg-kingfisher' : isPassedIn(play, state, id) ? 'h-2.5 bg-moss' : 'h-1.5 bg-edge'}`}
        />
      ))}
    </div>
  )
}
