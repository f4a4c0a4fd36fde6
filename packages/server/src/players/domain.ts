import { USAGE_VERBS } from '@jackdaw/core/players'
import type { Domain } from '../domain'
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
  demo: demoAttempts,
} satisfies Domain
