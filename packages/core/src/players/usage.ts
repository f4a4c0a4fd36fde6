import * as z from 'zod/mini'
import { eventSchema, type EventOf, type Verbs } from '../events'
import { ALL_WAYS } from '../ways'

/** Longest active time that one event may carry: senders report at least this often. Milliseconds. */
export const MAX_ACTIVE_MS = 120_000

const common = { ways: ALL_WAYS, toldBy: 'browser', vouching: 'nothing', marks: 'nothing', begins: false, fields: {} } as const

/** What happens while a guide is used. */
export const USAGE_VERBS = {
  opened: { ...common, about: 'edition', begins: true, thins: ['read'] },
  'step-viewed': { ...common, about: 'part', marks: 'seen', thins: ALL_WAYS },
  /** The reader has said that they have read the cautions of a step. */
  'step-acknowledged': { ...common, about: 'part', marks: 'acknowledged' },
  'step-confirmed': { ...common, about: 'part', marks: 'confirmed' },
  'time-spent': { ...common, about: 'part', thins: ALL_WAYS, fields: { activeMs: z.int().check(z.minimum(1), z.maximum(MAX_ACTIVE_MS)) } },
  /** A step was practised or judged: how many acts it took, what help was taken (0 none, 1 a hint, 2 it was shown), and whether it was done in the
   * end, as it always is where nobody judges. */
  'step-done': {
    ...common,
    about: 'part',
    ways: ['practise', 'solo'],
    fields: {
      tries: z.int().check(z.minimum(0), z.maximum(1_000)),
      help: z.union([z.literal(0), z.literal(1), z.literal(2)]),
      done: z._default(z.literal(true), true),
    },
  },
  finished: { ...common, about: 'edition', vouching: 'time', marks: 'finished' },
} as const satisfies Verbs

/** What happened while somebody used a guide, as their browser tells it. */
export type UsageEvent = EventOf<typeof USAGE_VERBS>
/** The schema of it. */
export const UsageEvent: z.ZodMiniType<UsageEvent> = eventSchema(USAGE_VERBS)
/** What can happen while a guide is used. */
export type UsageVerb = keyof typeof USAGE_VERBS
