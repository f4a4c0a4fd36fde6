import * as z from 'zod/mini'
import { waysWhere } from '../ways'
import { GuideId, Instant, StepId, Whole } from '../shared'

/** Longest active time that one event may carry: senders report at least this often. */
export const MAX_ACTIVE_MS = 120_000

const base = {
  /** UUID version 7, made by the sender; sending the same id again changes nothing. */
  id: z.uuid(),
  guideId: GuideId,
  edition: Whole.check(z.positive()),
  /** Epoch milliseconds by the sender's clock; the server puts it right by the batch's `sentAt`. */
  occurredAt: Instant,
  /** The way in which the guide was used. Tests are told by the server itself. */
  way: z.enum(waysWhere('toldBy', 'browser')),
  /** One time of watching or practising, from its beginning to its end. */
  playId: z.optional(z.string().check(z.regex(/^[A-Za-z0-9_-]{21}$/))),
}

/** What happened while someone used a guide, as its sender tells it. */
export const UsageEvent = z.discriminatedUnion('verb', [
  z.object({ ...base, verb: z.literal('opened') }),
  z.object({ ...base, verb: z.literal('step-viewed'), stepId: StepId }),
  /** The reader has said that they have read the cautions of a step. */
  z.object({ ...base, verb: z.literal('step-acknowledged'), stepId: StepId }),
  z.object({ ...base, verb: z.literal('step-confirmed'), stepId: StepId }),
  z.object({ ...base, verb: z.literal('time-spent'), stepId: StepId, activeMs: z.int().check(z.minimum(1), z.maximum(MAX_ACTIVE_MS)) }),
  /** A step was practised: how many acts it took, and what help was taken (0 none, 1 a hint, 2 it was shown). */
  z.object({
    ...base,
    way: z.literal('practise'),
    verb: z.literal('step-done'),
    stepId: StepId,
    tries: z.int().check(z.minimum(0), z.maximum(1_000)),
    help: z.union([z.literal(0), z.literal(1), z.literal(2)]),
  }),
  z.object({ ...base, verb: z.literal('finished') }),
])
export type UsageEvent = z.infer<typeof UsageEvent>
/** What can happen while a guide is used. */
export type UsageVerb = UsageEvent['verb']

/** Version of the shape above, kept with every stored event. */
export const EVENT_SCHEMA_VERSION = 2
