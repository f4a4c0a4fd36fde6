import { getReader } from '@jackdaw/contracts/reading'
import { USAGE_VERBS } from '@jackdaw/core/players'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { expireAttempts } from './attempts'
import { demoAttempts } from './demo'
import { playerRoutes } from './routes'
import { hasReadAll } from './usage/hasReadAll'
import { quizzesFirst } from './usage/quizzesFirst'
import { usageRollUps } from './usage/rollUps'

const THE_EDITION = firstRead(getReader, { params: ({ id }) => ({ id: id ?? '' }) })

/** Using guides: reading, watching, practising, and attempts that are judged. */
export const players = {
  verbs: USAGE_VERBS,
  checks: {
    finished: async (db, told) => (await hasReadAll(db, told)) ?? (await quizzesFirst(db, told)),
    'step-viewed': quizzesFirst,
    'step-acknowledged': quizzesFirst,
    'step-confirmed': quizzesFirst,
    'step-done': quizzesFirst,
  },
  rollUps: () => usageRollUps,
  routes: playerRoutes,
  firstReads: { '/guides/:id': [THE_EDITION], '/guides/:id/watch': [THE_EDITION], '/guides/:id/practise': [THE_EDITION] },
  jobs: [job('end-expired-attempts', async (parts, _nothing, { now }) => void (await expireAttempts(parts, now)))],
  demo: demoAttempts,
} satisfies Domain
