import { stepsOf, type Caution, type GuideDocument, type SignId } from '../guides'
import { isWaiting, type Play } from './moves'
import { END } from '../flow'
import type { PlayerState } from './state'

/** What has to be known before a step is done: shown in every way of use, over everything else. `guideSigns`: those of the guide as a whole, at its
 * first step. `waiting`: there are cautions to be acknowledged first. */
export type Safety = { cautions: Caution[]; signs: SignId[]; guideSigns: SignId[]; waiting: boolean }

/** The cautions and signs where somebody is.
 * @returns `null` at the end */
export function safetyAt(document: GuideDocument, play: Play, state: PlayerState): Safety | null {
  if (state.at === END) return null
  const step = stepsOf(document).find((each) => each.id === state.at)
  const isFirst = play.script.steps[0]?.id === state.at
  return {
    cautions: (step?.cautions ?? []).filter((caution) => caution.words.trim() !== ''),
    signs: step?.signs ?? [],
    guideSigns: isFirst ? document.signs : [],
    waiting: isWaiting(play, state, state.at),
  }
}
