import { nth } from '../shared'
import { afterSection, END, indexOf, passSkipped, shownEntry } from '../flow'
import { judge, type Act } from './judge'
import {
  arrive,
  canFinish,
  choicesAt,
  goBack,
  goOn,
  goTo,
  isClosed,
  isPassed,
  isWaiting,
  onward,
  openTo,
  stepAt,
  unchanged,
  withOne,
  type Play,
  type Played,
  type PlayerEffect,
} from './moves'
import type { ActingStep } from './actingScript'
import { arrivedAt, RULES } from './arrivedAt'
import type { Help, PlayerState, StepResult } from './state'
import { policyOf, type Way } from '../ways'

/** What happens while a guide is played. `at`: epoch milliseconds. */
export type PlayerEvent = { at: number } & (
  | { type: 'go'; to: string }
  | { type: 'next' }
  | { type: 'back' }
  | { type: 'choose'; id: string }
  | { type: 'acknowledge' }
  /** `stays`: nothing is gone on to; the page shows what follows anyway. */
  | { type: 'confirm'; stays?: true }
  /** Read as one page: a step is where the person looks. Nothing is told of that. */
  | { type: 'look'; id: string }
  /** Read as one page: a step was on the screen for long enough. */
  | { type: 'read'; id: string }
  | { type: 'act'; act: Act }
  /** "Show me": the step is done for the person, who looks at it and goes on by themselves. In Solo: it is left out. */
  | { type: 'show-me' }
  | { type: 'skip-section' }
  /** Watch has shown a step to its end. */
  | { type: 'played' }
  | { type: 'pause' }
  | { type: 'play' }
  | { type: 'ask-out' }
  | { type: 'stay' }
  | { type: 'leave' }
  | { type: 'finish' }
)

/** Longest time that is counted for one step; whoever was away longer did not work on it. */
const MOST_STEP_MS = 600_000

const blank = (way: Way, now: number, only: readonly string[] | null): PlayerState => ({
  rules: RULES,
  way,
  at: '',
  here: arrivedAt(now),
  seen: [],
  acknowledged: [],
  confirmed: [],
  values: {},
  cameFrom: {},
  rounds: {},
  results: {},
  only: only === null ? null : [...only],
  paused: false,
  leaving: false,
  left: false,
  finished: false,
})

/** Begins at the front, or at a step.
 * @param only the script holds these steps only */
export function begin(
  way: Way,
  play: Play,
  now: number,
  { from, only = null }: { from?: string; only?: readonly string[] | null } = {},
): Played {
  const at = from === undefined ? -1 : indexOf(play.script, from)
  return arrive(play, blank(way, now, only), at >= 0 ? at : passSkipped(play.script, 0, play.person, {}), now)
}

/** What the record knows of somebody's reading. */
export type KnownReading = {
  lastStepId: string | null
  seen: readonly string[]
  acknowledged: readonly string[]
  confirmed: readonly string[]
  finished: boolean
}

/** Goes on reading from what the record knows.
 * @param asPage it is read as one page: nothing is read yet by being there */
export function recall(play: Play, known: KnownReading, now: number, asPage = false): Played {
  const { state, effects } = recallStep(play, known, now)
  if (!asPage) return { state, effects }
  return {
    state: { ...state, seen: state.seen.filter((id) => known.seen.includes(id)) },
    effects: effects.filter((each) => each.do !== 'tell'),
  }
}

function recallStep(play: Play, known: KnownReading, now: number): Played {
  const { seen, acknowledged, confirmed, finished } = known
  if (seen.length === 0 && !finished) return begin('read', play, now)
  return resume(
    {
      ...blank('read', now, null),
      // Whoever has read all of it comes to look something up.
      at: finished ? '' : (known.lastStepId ?? ''),
      seen: [...seen],
      acknowledged: [...acknowledged],
      confirmed: [...confirmed],
      finished,
    },
    play,
    now,
  )
}

/** The last step of the guide that is open; the end when it is. */
function lastOpen(play: Play, open: ReadonlySet<string>): number {
  if (open.has(END)) return play.script.steps.length
  return play.script.steps.findLastIndex((step) => open.has(step.id))
}

/** Goes on with a state that was written down, on another device or in another edition: what speaks of steps that are gone is left out,
 * and whoever was at one of those begins at the first step that they have not been to. */
export function resume(written: PlayerState, play: Play, now: number): Played {
  const here = new Set(play.script.steps.map((step) => step.id))
  const kept = <T>(record: Record<string, T>): Record<string, T> =>
    Object.fromEntries(Object.entries(record).filter(([id]) => here.has(id)))
  const only = (ids: readonly string[]) => ids.filter((id) => here.has(id))
  const state: PlayerState = {
    ...written,
    rules: RULES,
    seen: only(written.seen),
    acknowledged: only(written.acknowledged),
    confirmed: only(written.confirmed),
    values: kept(written.values),
    cameFrom: Object.fromEntries(Object.entries(kept(written.cameFrom)).filter(([, from]) => here.has(from))),
    rounds: kept(written.rounds),
    results: kept(written.results),
    leaving: false,
    left: false,
  }
  const open = openTo(play, state)
  if (state.finished) {
    const at = here.has(state.at) || state.at === END ? state.at : (play.script.steps[0]?.id ?? END)
    return { state: { ...state, at }, effects: at === END ? [] : [{ do: 'show', stepId: at }] }
  }
  if (written.at === END && open.has(END)) return unchanged(state)
  if (here.has(written.at) && open.has(written.at))
    return { state: { ...state, here: { ...state.here, since: now } }, effects: [{ do: 'show', stepId: written.at }] }
  const waits = play.script.steps.findIndex((step) => open.has(step.id) && isClosed(play, state, step.id))
  const first = waits >= 0 ? waits : play.script.steps.findIndex((step) => open.has(step.id) && !isPassed(state, step))
  const last = lastOpen(play, open)
  return arrive(play, state, first >= 0 ? first : last, now)
}

/** Writes down what came of a step and goes on, unless the way on is to be chosen.
 * @param stays the person is to see what was done before they go on by themselves */
function settle(play: Play, state: PlayerState, done: boolean, entry: string | undefined, now: number, stays = false): Played {
  const { here } = state
  const step = stepAt(play, state)!
  const before = state.results[step.id]
  const ms = Math.max(0, Math.min(now - here.since, MOST_STEP_MS))
  const help: Help = here.shown ? 2 : here.hint > 0 ? 1 : 0
  const result: StepResult = {
    tries: Math.max(before?.tries ?? 0, here.tries),
    help: Math.max(before?.help ?? 0, help) as Help,
    done: done && before?.done !== false,
    ms: (before?.ms ?? 0) + ms,
  }
  const settled: PlayerState = {
    ...state,
    here: { ...here, done: true },
    results: { ...state.results, [step.id]: result },
    values: entry === undefined ? state.values : { ...state.values, [step.id]: entry },
  }
  const told: PlayerEffect = { do: 'tell', verb: 'step-done', stepId: step.id, tries: here.tries, help, done, activeMs: ms }
  const onwards = stays ? unchanged(settled) : goOn(play, settled, now)
  return { state: onwards.state, effects: [told, ...onwards.effects] }
}

function take(play: Play, state: PlayerState, act: Act, now: number): Played {
  const step = stepAt(play, state)
  if (!step || step.quiz !== null || state.here.done || isWaiting(play, state, state.at)) return unchanged(state)
  const verdict = judge(step.doing, act, state.here, play.person.language, play.script.language)
  const { here } = state
  const say: PlayerEffect = { do: 'say', verdict }
  switch (verdict.is) {
    case 'idle':
      return unchanged(state)
    case 'part':
      return {
        state: {
          ...state,
          here: {
            ...here,
            placed: here.placed || verdict.placed === true,
            found: verdict.found ? withOne(here.found, verdict.found) : here.found,
          },
        },
        effects: [say],
      }
    case 'right': {
      const counted = step.doing.kind === 'nothing' ? here.tries : here.tries + 1
      const done = settle(play, { ...state, here: { ...here, tries: counted } }, true, verdict.entry, now)
      return { state: done.state, effects: [say, ...done.effects] }
    }
    case 'wrong': {
      const tries = here.tries + 1
      const hint = policyOf(state.way).hints ? Math.min(3, here.hint + 1) : 0
      const next: PlayerState = { ...state, here: { ...here, tries, hint } }
      const over = policyOf(state.way).triesRunOut && play.triesPerStep > 0 && tries >= play.triesPerStep
      if (!over) return { state: next, effects: [say] }
      const failed = settle(play, next, false, demonstrated(step), now)
      return { state: failed.state, effects: [say, ...failed.effects] }
    }
  }
}

/** What stands in a field once the step has been done for the person. */
function demonstrated({ doing }: ActingStep): string | undefined {
  return doing.kind === 'enter' ? (shownEntry(doing.accept) ?? undefined) : undefined
}

/** Watch: what is typed while a step is shown counts as entered. */
function asShown(play: Play, state: PlayerState): PlayerState {
  const step = stepAt(play, state)
  const entry = step && demonstrated(step)
  const shown = { ...state, here: { ...state.here, done: true } }
  return step && entry !== undefined ? { ...shown, values: { ...state.values, [step.id]: entry } } : shown
}

/** Starts playing: at the step where it stands, or from the front once it is over. */
function playOn(play: Play, state: PlayerState, now: number): Played {
  const running = { ...state, paused: false }
  if (state.at !== END) return unchanged(running)
  return arrive(play, running, passSkipped(play.script, 0, play.person, state.values), now)
}

/** The next state of a player. A wish that is not open is left without effect; there is a way on or out from every state. */
export function reduce(state: PlayerState, event: PlayerEvent, play: Play): Played {
  const policy = policyOf(state.way)
  const { at: now } = event
  if (event.type === 'stay') return unchanged({ ...state, leaving: false })
  if (event.type === 'ask-out') return unchanged({ ...state, leaving: true, paused: policy.plays ? true : state.paused })
  if (event.type === 'leave')
    return state.left ? unchanged(state) : { state: { ...state, left: true, leaving: false }, effects: [{ do: 'leave' }] }
  if (state.left) return unchanged(state)
  switch (event.type) {
    case 'go':
      return policy.jumps ? goTo(play, state, event.to, now) : unchanged(state)
    case 'back':
      return policy.jumps ? goBack(play, state, now) : unchanged(state)
    case 'next':
      if (state.at === END || isClosed(play, state, state.at)) return unchanged(state)
      // Where something is to be done, one goes on by doing it; a step that was done before may be passed again.
      if (isToBeDone(play, state)) return unchanged(state)
      return goOn(play, policy.plays ? asShown(play, state) : state, now)
    case 'choose': {
      const ways = choicesAt(play, state)
      const way = ways?.ways.find((each) => each.id === event.id)
      if (!way || isClosed(play, state, state.at) || isToBeDone(play, state)) return unchanged(state)
      return onward(play, state, way.to, now)
    }
    case 'acknowledge':
      if (!isWaiting(play, state, state.at)) return unchanged(state)
      return {
        state: { ...state, acknowledged: withOne(state.acknowledged, state.at) },
        effects: [{ do: 'tell', verb: 'step-acknowledged', stepId: state.at }],
      }
    case 'confirm':
      return policy.confirms ? confirm(play, state, event) : unchanged(state)
    case 'look':
    case 'read':
      return policy.scrolls ? onPage(play, state, event) : unchanged(state)
    case 'act':
      return policy.acts ? take(play, state, event.act, now) : unchanged(state)
    case 'show-me':
      return showMe(play, state, now)
    case 'skip-section': {
      const at = indexOf(play.script, state.at)
      if (at < 0 || !nth(play.script.steps, at).optional) return unchanged(state)
      return arrive(play, state, passSkipped(play.script, afterSection(play.script, at), play.person, state.values), now, state.at)
    }
    case 'played':
      return policy.plays && !state.paused && state.at !== END && !isWaiting(play, state, state.at) && !isClosed(play, state, state.at)
        ? goOn(play, asShown(play, state), now)
        : unchanged(state)
    case 'pause':
      return unchanged(policy.plays ? { ...state, paused: true } : state)
    case 'play':
      return policy.plays ? playOn(play, state, now) : unchanged(state)
    case 'finish':
      if (state.finished || state.at !== END || !canFinish(play, state)) return unchanged(state)
      return { state: { ...state, finished: true }, effects: [{ do: 'tell', verb: 'finished' }] }
  }
}

/** A step is confirmed, and by that seen: nobody confirms the end, a quiz, or before they have read the caution. */
function confirm(play: Play, state: PlayerState, { stays, at: now }: Extract<PlayerEvent, { type: 'confirm' }>): Played {
  if (isWaiting(play, state, state.at) || state.confirmed.includes(state.at) || stepAt(play, state)?.quiz !== null) return unchanged(state)
  const stepId = state.at
  const viewed: PlayerEffect[] = state.seen.includes(stepId) ? [] : [{ do: 'tell', verb: 'step-viewed', stepId }]
  const confirmed = { ...state, seen: withOne(state.seen, stepId), confirmed: withOne(state.confirmed, stepId) }
  const on = stays ? unchanged(confirmed) : goOn(play, confirmed, now)
  return { state: on.state, effects: [...viewed, { do: 'tell', verb: 'step-confirmed', stepId }, ...on.effects] }
}

/** What happens while a guide is read as one page. What is not open is neither looked at nor read. */
function onPage(play: Play, state: PlayerState, { type, id, at: now }: Extract<PlayerEvent, { type: 'look' | 'read' }>): Played {
  const step = play.script.steps[indexOf(play.script, id)]
  if (!step || !openTo(play, state).has(id)) return unchanged(state)
  if (type === 'look') return unchanged(id === state.at ? state : { ...state, at: id, here: arrivedAt(now) })
  if (step.quiz !== null || state.seen.includes(id)) return unchanged(state)
  return { state: { ...state, seen: withOne(state.seen, id) }, effects: [{ do: 'tell', verb: 'step-viewed', stepId: id }] }
}

/** Whether there is something to be done at the step first. */
const isToBeDone = (play: Play, state: PlayerState): boolean =>
  policyOf(state.way).acts && stepAt(play, state)?.quiz === null && !state.here.done && state.results[state.at] === undefined

function showMe(play: Play, state: PlayerState, now: number): Played {
  const policy = policyOf(state.way)
  const step = stepAt(play, state)
  if (!policy.acts || !step || state.here.done || isWaiting(play, state, state.at)) return unchanged(state)
  if (step.doing.kind === 'nothing') return unchanged(state)
  const shows = policy.showMe === 'shows'
  return settle(play, { ...state, here: { ...state.here, shown: shows } }, shows, demonstrated(step), now, shows)
}
