import { USAGE_VERBS } from '@jackdaw/core/players'
import type { Domain } from '../domain'
import { job } from '../jobs'
import { expireAttempts } from './attempts'
import { demoAttempts } from './demo'
import { playerRoutes } from './routes'
import { hasReadAll } from './usage/hasReadAll'
import { usageRollUps } from './usage/rollUps'

/** Using guides: reading, watching, practising, and attempts that are judged. */
export const players = {
  verbs: USAGE_VERBS,
  checks: { finished: hasReadAll },
  rollUps: () => usageRollUps,
  routes: playerRoutes,
  jobs: [job('end-expired-attempts', async (parts, _nothing, { now }) => void (await expireAttempts(parts, now)))],
  demo: demoAttempts,
} satisfies Domain
