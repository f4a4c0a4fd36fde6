import { getWaitingHere } from '@jackdaw/contracts/records'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { recordRoutes } from './routes'

/** Who did what, and how it went. */
export const records = { routes: recordRoutes, firstReads: { '/': [firstRead(getWaitingHere)] } } satisfies Domain
