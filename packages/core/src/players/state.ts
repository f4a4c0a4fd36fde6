import * as z from 'zod/mini'
import { Way } from '../ways'

const Id = z.string().check(z.maxLength(40))
const Ids = z.array(Id).check(z.maxLength(5_000))
const MOST_MS = 8_640_000_000_000_000
const count = z.int().check(z.minimum(0), z.maximum(1_000_000))

/** Help taken at a step: 0 none, 1 a hint, 2 it was shown. */
export const Help = z.union([z.literal(0), z.literal(1), z.literal(2)])
/** Read by {@link Help}. */
export type Help = z.infer<typeof Help>

/** What came of a step. Times in milliseconds, over all the times that it was done. */
export const StepResult = z.object({
  /** Acts that were judged, the right one included; of a step that was done several times, the time that took the most. */
  tries: count,
  help: Help,
  /** Whether it was done in the end; `false` once the tries were used up or it was left out. */
  done: z.boolean(),
  ms: z.int().check(z.minimum(0), z.maximum(1_000_000_000)),
})
/** Read by {@link StepResult}. */
export type StepResult = z.infer<typeof StepResult>

/** The step at which somebody is: how far they are with it. */
export const Here = z.object({
  since: z.int().check(z.minimum(-MOST_MS), z.maximum(MOST_MS)),
  tries: count,
  /** Hints given: 0 none, 1 words, 2 the area, 3 the frame. */
  hint: z.int().check(z.minimum(0), z.maximum(3)),
  shown: z.boolean(),
  placed: z.boolean(),
  found: Ids,
  /** Done; only the way on is still to be chosen. */
  done: z.boolean(),
})
/** Read by {@link Here}. */
export type Here = z.infer<typeof Here>

/** Where somebody is in a guide, in any way of using it. Plain data: it can be written down and gone on with elsewhere. */
export const PlayerState = z.object({
  /** Version of the rules by which it came about. By those of version 1 cautions were acknowledged in Read alone. */
  rules: z.union([z.literal(1), z.literal(2)]),
  way: Way,
  /** Id of the step, or `end`. */
  at: Id,
  here: Here,
  seen: Ids,
  acknowledged: Ids,
  confirmed: Ids,
  /** What was entered, by step. */
  values: z.record(Id, z.string().check(z.maxLength(2_000))),
  /** Steps that were gone on from by another way than to the next one: where each was come from. */
  cameFrom: z.record(Id, Id),
  /** How often each step led back. */
  rounds: z.record(Id, count),
  results: z.record(Id, StepResult),
  /** Leaves these steps only. */
  only: z.nullable(Ids),
  /** Watch stands still. */
  paused: z.boolean(),
  /** Whether it has been asked if the person wants to leave. */
  leaving: z.boolean(),
  left: z.boolean(),
  finished: z.boolean(),
})
/** Read by {@link PlayerState}. */
export type PlayerState = z.infer<typeof PlayerState>
