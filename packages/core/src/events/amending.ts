import * as z from 'zod/mini'
import { ALL_WAYS } from '../ways'
import type { Verbs } from './verb'

/** Verbs by which what was told before is amended. Such an event supersedes another one and never changes it; the person and the item are
 * then counted anew from what is left. */
export const AMENDING_VERBS = {
  /** That an event does not count: it was told in error, or for somebody else. */
  voided: {
    about: 'edition',
    ways: ALL_WAYS,
    toldBy: 'server',
    vouching: 'nothing',
    marks: 'nothing',
    begins: false,
    fields: { reason: z.string() },
  },
} as const satisfies Verbs
