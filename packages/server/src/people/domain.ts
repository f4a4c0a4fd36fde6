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
  firstSteps: {
    people: '(select count(*) from person where active) > 2',
    teams:
      "exists (select 1 from people_group g where g.kind_id = 'team' and g.closed_at is null and exists (select 1 from membership m where m.group_id = g.id and m.until is null))",
    leaders: `exists (select 1 from people_group g where g.kind_id = 'team' and g.closed_at is null)
      and not exists (select 1 from people_group g left join person p on p.id = g.leader_id and p.active where g.kind_id = 'team' and g.closed_at is null and p.id is null)`,
    roles: `exists (select 1 from people_group g where g.kind_id = 'role' and g.closed_at is null)
      and not exists (select 1 from people_group g where g.kind_id = 'role' and g.closed_at is null and not exists (select 1 from membership m where m.group_id = g.id and m.until is null))`,
    'sign-in': `not exists (select 1 from person p where p.active and p.password_hash is null
      and not exists (select 1 from invitation i where i.person_id = p.id and i.withdrawn_at is null and i.send_at is not null)) and (select count(*) from person where active) > 1`,
    duty: 'exists (select 1 from duty_item x join item i on i.kind = x.item_kind and i.id = x.item_id where i.edition is not null and i.archived_at is null)',
  },
  jobs: [
    job('send-account-mail', sendAccountMail),
    job('send-invitations', (parts, _nothing, { now }) => sendDueInvitations(parts, now)),
    job('forget-expired-sessions', ({ database }, _nothing, { now }) => forgetExpired(database, now)),
  ],
  demo: demoPeople,
} satisfies Domain
