import type { Domain } from '../domain'
import { demoAttempts } from './demo'
import { playerRoutes } from './routes'

/** Using guides: reading, watching, practising, and attempts that are judged. */
export const players = { routes: playerRoutes, demo: demoAttempts } satisfies Domain
