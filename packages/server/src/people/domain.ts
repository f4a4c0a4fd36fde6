import { getMe } from '@jackdaw/contracts/people'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { job } from '../jobs'
import { demoPeople } from './demo'
import { directoryRoutes } from './directory/routes'
import { importingRoutes } from './importing/routes'
import { sendAccountMail, sendDueInvitations } from './signingIn/accountMail'
import { forgetExpired } from './signingIn/forgetExpired'
import { accountRoutes } from './signingIn/routes'
import { peopleRoutes, whoIs } from './routes'
import { relationsToPerson } from './store'

/** Persons, groups, signing in. */
export const people = {
  routes: (routes) => {
    peopleRoutes(routes)
    directoryRoutes(routes)
    accountRoutes(routes)
    importingRoutes(routes)
  },
  firstReads: { '*': [firstRead(getMe)] },
  relations: ({ database }) => ({ person: (caller, id) => relationsToPerson(database, caller, id) }),
  whoIs,
  jobs: [
    job('send-account-mail', sendAccountMail),
    job('send-invitations', (parts, _nothing, { now }) => sendDueInvitations(parts, now)),
    job('forget-expired-sessions', ({ database }, _nothing, { now }) => forgetExpired(database, now)),
  ],
  demo: demoPeople,
} satisfies Domain
