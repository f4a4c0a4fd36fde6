import * as z from 'zod/mini'
import { LocalDate } from '../shared'

/** Letters of the reason for a waiver. */
export const WAIVER_LETTERS = 500
/** What somebody who looks after assignments does to some of an item at once: gives them another due day, says that somebody need not do it, and why,
 * or has to after all, or reminds them. */
export const Handling = z.discriminatedUnion('what', [
  z.object({ what: z.literal('move'), on: LocalDate }),
  z.object({
    what: z.literal('waive'),
    why: z.string().check(z.trim(), z.minLength(1, 'Say why'), z.maxLength(WAIVER_LETTERS)),
  }),
  z.object({ what: z.literal('end-waiver') }),
  z.object({ what: z.literal('remind') }),
])
/** Read by {@link Handling}. */
export type Handling = z.infer<typeof Handling>

/** What comes of it for one person: something changes, or why nothing does. */
export const HANDLED = ['changes', 'not-given', 'done', 'waiting', 'waived', 'not-waived', 'same-day'] as const
/** One of {@link HANDLED}. */
export type Handled = (typeof HANDLED)[number]

/** How an assignment stands before something is done to it. `waiting`: it was handed in, and somebody else has to judge it. */
export type StandingLine = { done: boolean; waiting: boolean; waived: boolean; dueOn: LocalDate | null }

/** What comes of handling an assignment. @param line `null` where they have not been given the item */
export function handledAs(line: StandingLine | null, handling: Handling): Handled {
  if (line === null) return 'not-given'
  if (handling.what === 'end-waiver') return line.waived ? 'changes' : 'not-waived'
  if (line.done) return 'done'
  if (line.waived) return 'waived'
  if (line.waiting && handling.what === 'remind') return 'waiting'
  return handling.what === 'move' && handling.on === line.dueOn ? 'same-day' : 'changes'
}
