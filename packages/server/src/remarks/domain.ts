import { listMyRemarks } from '@jackdaw/contracts/remarks'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { remarkRoutes } from './routes'

/** What readers say is wrong. */
export const remarks = { routes: remarkRoutes, firstReads: { '/': [firstRead(listMyRemarks)] } } satisfies Domain
