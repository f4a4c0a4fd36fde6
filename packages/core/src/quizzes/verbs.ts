import * as z from 'zod/mini'
import type { Verbs } from '../events'

const common = { about: 'edition', ways: [], toldBy: 'server', vouching: 'nothing', marks: 'nothing', begins: false, fields: {} } as const

/** What happens with a quiz; the visit is the attempt. An attempt is handed in where a person has to judge some of it; it is finished when all of it is judged. */
export const QUIZ_VERBS = {
  'attempt-begun': { ...common, begins: true },
  'question-answered': {
    ...common,
    about: 'part',
    /** `done`: whether the answer was right altogether. */
    fields: { activeMs: z.int(), done: z.boolean() },
  },
  'attempt-handed-in': { ...common, marks: 'handed-in' },
  'attempt-judged': { ...common, marks: 'finished', fields: { percent: z.int(), passed: z.boolean() } },
} as const satisfies Verbs
