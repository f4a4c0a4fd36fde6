import type { Domain } from '../domain'
import { demoPeople } from './demo'
import { peopleRoutes, whoIs } from './routes'
import { relationsToPerson } from './store'

/** Persons, groups, signing in. */
export const people = {
  routes: peopleRoutes,
  relations: ({ database }) => ({ person: (caller, id) => relationsToPerson(database, caller, id) }),
  whoIs,
  demo: demoPeople,
} satisfies Domain
