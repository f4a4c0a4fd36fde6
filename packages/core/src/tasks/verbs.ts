import * as z from 'zod/mini'
import type { Verbs } from '../events'

/** Longest text that is handed in, and longest reason why something is sent back, in characters. */
export const MOST_EVIDENCE = 4_000
export const MOST_REASON = 1_000

const common = { about: 'edition', ways: [], toldBy: 'server', vouching: 'nothing', begins: false, fields: {} } as const

/** What happens with a task. Whoever does it hands it in and may take it back; somebody else confirms it or sends it back with a reason. */
export const TASK_VERBS = {
  'handed-in': { ...common, marks: 'handed-in' },
  'taken-back': { ...common, marks: 'answered' },
  'sent-back': { ...common, marks: 'answered', fields: { reason: z.string().check(z.maxLength(MOST_REASON)) } },
  confirmed: { ...common, marks: 'finished' },
} as const satisfies Verbs

/** How what was handed in is answered. */
export const HandInAnswer = z.enum(['confirmed', 'sent-back', 'taken-back'])
/** Read by {@link HandInAnswer}. */
export type HandInAnswer = z.infer<typeof HandInAnswer>
