import { known, nth } from '../shared'
import { END, indexOf, openPlaces, passSkipped, type Person, stepsLeft, waysOn } from '../flow'
import type { Verdict } from './judge'
import type { ActingScript, ActingStep } from './actingScript'
import { arrivedAt } from './arrivedAt'
import type { Help, PlayerState } from './state'
import { policyOf } from '../ways'

/** How a guide is played: the steps, the person as far as rules ask for them, what the author says of tries, and which of the quizzes among the
 * steps are settled for this person, by their ids there; as the record knows it, never the player. */
export type Play = { script: ActingScript; person: Person; triesPerStep: number; settled: ReadonlySet<string> }

/** What is to be carried out: told to the record, shown, or written down. */
export type PlayerEffect =
  | { do: 'tell'; verb: 'step-viewed' | 'step-acknowledged' | 'step-confirmed'; stepId: string }
  | { do: 'tell'; verb: 'step-done'; stepId: string; tries: number; help: Help; done: boolean; activeMs: number }
  | { do: 'tell'; verb: 'finished' }
  | { do: 'show'; stepId: string }
  | { do: 'say'; verdict: Verdict }
  | { do: 'leave' }

/** A state and what is to be carried out. */
export type Played = { state: PlayerState; effects: PlayerEffect[] }

/** How often a step may lead back before the guide goes on all the same: loops end. */
export const MOST_ROUNDS = 25
/** The step at which somebody is. */
export const stepAt = (play: Play, state: PlayerState): ActingStep | undefined => play.script.steps[indexOf(play.script, state.at)]
/** The state as it is, with nothing to be carried out. */
export const unchanged = (state: PlayerState): Played => ({ state, effects: [] })
/** A list with an entry, once. */
export const withOne = (list: readonly string[], id: string): string[] => (list.includes(id) ? [...list] : [...list, id])

/** Whether a quiz among the steps keeps what follows it closed. */
const isOwed = ({ settled }: Pick<Play, 'settled'>, { id, quiz }: Pick<ActingStep, 'id' | 'quiz'>): boolean =>
  quiz !== null && quiz !== 'nothing' && !settled.has(id)

/** Whether a step keeps what follows it closed: cautions to be acknowledged, a confirmation asked for, an act that is yet to be done, a quiz. */
export function isClosed(play: Play, state: PlayerState, id: string): boolean {
  const step = play.script.steps[indexOf(play.script, id)]
  if (!step) return false
  if (step.quiz !== null) return isOwed(play, step)
  if (isWaiting(play, state, id)) return true
  if (policyOf(state.way).confirms) return play.script.confirmSteps && !state.confirmed.includes(id)
  return policyOf(state.way).acts && !policyOf(state.way).jumps && state.results[id] === undefined
}

/** Whether a step has cautions that are yet to be acknowledged; in every way of use. */
export function isWaiting(play: Play, state: PlayerState, id: string): boolean {
  const step = play.script.steps[indexOf(play.script, id)]
  return step?.acknowledge === true && (state.rules > 1 || state.way === 'read') && !state.acknowledged.includes(id)
}

/** The places that are open to somebody: ids of steps, and `end`. */
export const openTo = (play: Play, state: PlayerState): Set<string> =>
  openPlaces(play.script, play.person, state.values, (id) => isClosed(play, state, id))

/** Whether nothing is left to be done at a step, in the way it is used. */
export function isPassed(state: PlayerState, step: ActingStep): boolean {
  // Whether it is owed is another question.
  if (step.quiz !== null) return true
  return policyOf(state.way).acts ? state.results[step.id] !== undefined : state.seen.includes(step.id)
}

/** Steps that are still to be done before the guide can be finished, by the shortest way through it. */
export const leftToDo = (play: Play, state: PlayerState): string[] => {
  const steps = new Map(play.script.steps.map((step) => [step.id, step]))
  return stepsLeft(play.script, play.person, state.values, (id) => isPassed(state, known(steps, id)) && !isClosed(play, state, id))
}

/** Whether the guide may be finished: a way from its beginning to its end has been gone. */
export const canFinish = (play: Play, state: PlayerState): boolean => leftToDo(play, state).length === 0

/** The ways on from where somebody is that are to be chosen from; none where the guide goes on by itself. */
export function choicesAt(play: Play, state: PlayerState): Extract<ReturnType<typeof waysOn>, { kind: 'choose' }> | null {
  const at = indexOf(play.script, state.at)
  if (at < 0) return null
  const ways = waysOn(play.script, at, play.person, state.values)
  return ways.kind === 'choose' ? ways : null
}

/** Comes to a place. `from`: the step that led there. */
export function arrive(play: Play, state: PlayerState, to: number, now: number, from?: string): Played {
  const step = play.script.steps[to]
  const id = step?.id ?? END
  const jumped = from !== undefined && to !== indexOf(play.script, from) + 1
  const next: PlayerState = {
    ...state,
    at: id,
    here: arrivedAt(now),
    seen: step ? withOne(state.seen, id) : state.seen,
    cameFrom: jumped ? { ...state.cameFrom, [id]: from } : without(state.cameFrom, id),
  }
  return {
    state: next,
    effects: step
      ? [...(step.quiz === null ? [{ do: 'tell', verb: 'step-viewed', stepId: id } as const] : []), { do: 'show', stepId: id }]
      : [],
  }
}

function without<T>(record: Record<string, T>, id: string): Record<string, T> {
  const { [id]: _, ...rest } = record
  return rest
}

/** Goes on from the step by a way; one that leads back is counted, and no longer taken after {@link MOST_ROUNDS} times. */
export function onward(play: Play, state: PlayerState, to: number, now: number): Played {
  const at = indexOf(play.script, state.at)
  if (to > at) return arrive(play, state, to, now, state.at)
  const rounds = (state.rounds[state.at] ?? 0) + 1
  if (rounds > MOST_ROUNDS) return arrive(play, state, passSkipped(play.script, at + 1, play.person, state.values), now, state.at)
  return arrive(play, { ...state, rounds: { ...state.rounds, [state.at]: rounds } }, to, now, state.at)
}

/** Goes on by itself when there is nothing to choose. */
export function goOn(play: Play, state: PlayerState, now: number): Played {
  const ways = waysOn(play.script, indexOf(play.script, state.at), play.person, state.values)
  return ways.kind === 'on' ? onward(play, state, ways.to, now) : unchanged(state)
}

/** Goes to a place, or as far towards it as is open. */
export function goTo(play: Play, state: PlayerState, to: string, now: number): Played {
  if (to === state.at) return unchanged(state)
  const open = openTo(play, state)
  if (open.has(to)) return arrive(play, state, to === END ? play.script.steps.length : indexOf(play.script, to), now)
  // Whoever wants to go further than is open gets as far as they can.
  const wish = to === END ? play.script.steps.length : indexOf(play.script, to)
  const nearest = play.script.steps.findLastIndex((step, at) => at < wish && open.has(step.id))
  return nearest < 0 || nth(play.script.steps, nearest).id === state.at ? unchanged(state) : arrive(play, state, nearest, now)
}

/** Goes back: where one came from, or to the step before. */
export function goBack(play: Play, state: PlayerState, now: number): Played {
  const at = state.at === END ? play.script.steps.length : indexOf(play.script, state.at)
  const came = state.cameFrom[state.at]
  let to = came === undefined ? at - 1 : indexOf(play.script, came)
  const open = openTo(play, state)
  while (to >= 0 && !open.has(nth(play.script.steps, to).id)) to--
  return to < 0 ? unchanged(state) : arrive(play, state, to, now)
}
