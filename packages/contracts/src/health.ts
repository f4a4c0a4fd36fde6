import * as z from 'zod/mini'
import { endpoint } from './endpoint'

/** Whether the process is alive. */
export const getHealth = endpoint({
  method: 'get',
  path: '/healthz',
  access: 'anyone',
  response: z.object({ ok: z.literal(true) }),
  problems: [],
})
/** Whether it can serve: the database answers and its tables are up to date. */
export const getReadiness = endpoint({
  method: 'get',
  path: '/readyz',
  access: 'anyone',
  response: z.object({ ready: z.literal(true) }),
  problems: ['not-ready'],
})
