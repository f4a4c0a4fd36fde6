import { getMe } from '@jackdaw/contracts/people'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { demoPeople } from './demo'
import { directoryRoutes } from './directory/routes'
import { forgetExpired } from './signingIn/forgetExpired'
import { peopleRoutes, whoIs } from './routes'
import { relationsToPerson } from './store'

/** Persons, groups, signing in. */
export const people = {
  routes: (routes) => {
    peopleRoutes(routes)
    directoryRoutes(routes)
  },
  firstReads: { '*': [firstRead(getMe)] },
  relations: ({ database }) => ({ person: (caller, id) => relationsToPerson(database, caller, id) }),
  whoIs,
  jobs: [job('forget-expired-sessions', ({ database }, _nothing, { now }) => forgetExpired(database, now))],
  demo: demoPeople,
} satisfies Domain
