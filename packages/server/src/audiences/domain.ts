import type { AudienceSaving } from '@jackdaw/contracts/audiences'
import type { AudienceId, PersonId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { job } from '../jobs'
import { rebuildAudiences, refreshForDay, refreshPeople } from './refresh'
import { audienceRoutes } from './routes'
import { createSaved } from './saved'

/** Sets of people told as rules, and who belongs to each. */
export const audiences = {
  routes: audienceRoutes,
  followsPeople: refreshPeople,
  jobs: [
    job('follow-the-day', (parts, _nothing, { now }) => refreshForDay(parts, now)),
    job('rebuild-audiences', (parts, _nothing, { now }) => rebuildAudiences(parts, now).then(() => undefined)),
  ],
  demo: (parts) => ({
    saveAudience: (id: AudienceId, saving: AudienceSaving, by: PersonId, now: number) =>
      parts.database.transaction((tx) => createSaved(tx, parts, id, saving, by, now)),
  }),
} satisfies Domain
