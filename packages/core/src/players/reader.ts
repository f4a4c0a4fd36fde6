/** Where a reader is in an edition. `at` is an index into the steps; `steps.length` means the closing page. */
export type ReaderState = {
  steps: readonly string[]
  confirmSteps: boolean
  at: number
  seen: ReadonlySet<string>
  confirmed: ReadonlySet<string>
  /** Steps with cautions that have to be acknowledged before going on, and those where that was done. */
  mustAcknowledge: ReadonlySet<string>
  acknowledged: ReadonlySet<string>
  finished: boolean
}

/** What a reader does. */
export type ReaderEvent =
  { type: 'go'; to: number } | { type: 'next' } | { type: 'back' } | { type: 'acknowledge' } | { type: 'confirm' } | { type: 'finish' }

/** What is to be told to the record. */
export type ReaderEffect = { tell: 'step-viewed' | 'step-acknowledged' | 'step-confirmed'; stepId: string } | { tell: 'finished' }

/** Begins, or goes on from what is known: the step last looked at, and what was seen and confirmed before. */
export function startReading(
  steps: readonly string[],
  confirmSteps: boolean,
  known: {
    lastStepId: string | null
    seen: readonly string[]
    acknowledged: readonly string[]
    confirmed: readonly string[]
    finished: boolean
  },
  mustAcknowledge: readonly string[] = [],
): { state: ReaderState; effects: ReaderEffect[] } {
  const here = new Set(steps)
  const state: ReaderState = {
    steps,
    confirmSteps,
    at: 0,
    seen: new Set(known.seen.filter((id) => here.has(id))),
    confirmed: new Set(known.confirmed.filter((id) => here.has(id))),
    mustAcknowledge: new Set(mustAcknowledge),
    acknowledged: new Set(known.acknowledged.filter((id) => here.has(id))),
    finished: known.finished,
  }
  const last = known.lastStepId === null ? 0 : Math.max(0, steps.indexOf(known.lastStepId))
  return arrive(state, Math.min(last, furthestOpen(state)))
}

/** Whether the step at an index has cautions that are yet to be acknowledged. */
export function isWaiting(state: ReaderState, at: number): boolean {
  const id = state.steps[at]
  return id !== undefined && state.mustAcknowledge.has(id) && !state.acknowledged.has(id)
}

/** Index of the last place to which the reader may go: the closing page, or the first step that is yet to be confirmed, or whose cautions
 * are yet to be acknowledged. */
export function furthestOpen(state: ReaderState): number {
  const open = state.steps.findIndex((id, at) => isWaiting(state, at) || (state.confirmSteps && !state.confirmed.has(id)))
  return open < 0 ? state.steps.length : open
}

/** Steps not looked at yet, by index; the guide can be finished when there are none. */
export const unseen = (state: ReaderState): number[] => state.steps.flatMap((id, index) => (state.seen.has(id) ? [] : [index]))

/** Whether "Done" may be said: every step seen and, where asked for, acknowledged and confirmed. */
export const canFinish = (state: ReaderState): boolean => unseen(state).length === 0 && furthestOpen(state) === state.steps.length

function arrive(state: ReaderState, at: number): { state: ReaderState; effects: ReaderEffect[] } {
  const stepId = state.steps[at]
  if (stepId === undefined) return { state: { ...state, at }, effects: [] }
  return { state: { ...state, at, seen: new Set([...state.seen, stepId]) }, effects: [{ tell: 'step-viewed', stepId }] }
}

/** The reader's next state. A wish that is not open is left without effect. */
export function reduceReader(state: ReaderState, event: ReaderEvent): { state: ReaderState; effects: ReaderEffect[] } {
  switch (event.type) {
    case 'go':
    case 'next':
    case 'back': {
      const wish = event.type === 'go' ? event.to : state.at + (event.type === 'next' ? 1 : -1)
      const at = Math.min(Math.max(0, wish), furthestOpen(state))
      return at === state.at ? { state, effects: [] } : arrive(state, at)
    }
    case 'acknowledge': {
      const stepId = state.steps[state.at]
      if (stepId === undefined || !isWaiting(state, state.at)) return { state, effects: [] }
      return {
        state: { ...state, acknowledged: new Set([...state.acknowledged, stepId]) },
        effects: [{ tell: 'step-acknowledged', stepId }],
      }
    }
    case 'confirm': {
      const stepId = state.steps[state.at]
      if (stepId === undefined || state.confirmed.has(stepId) || isWaiting(state, state.at)) return { state, effects: [] }
      const confirmed = { ...state, confirmed: new Set([...state.confirmed, stepId]) }
      const onward = arrive(confirmed, state.at + 1)
      return { state: onward.state, effects: [{ tell: 'step-confirmed', stepId }, ...onward.effects] }
    }
    case 'finish':
      if (state.finished || !canFinish(state)) return { state, effects: [] }
      return { state: { ...state, finished: true }, effects: [{ tell: 'finished' }] }
  }
}
