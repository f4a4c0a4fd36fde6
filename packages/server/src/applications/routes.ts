import { connectApplication, disconnectApplication, listActNames, listApplications, tellActs } from '@jackdaw/contracts/applications'
import { fail, route, type Routes } from '../http'
import { actNames, applicationsOf, connect, disconnect, takeActs } from './store'

export function applicationRoutes(routes: Routes): void {
  const { database: db, newId } = routes.parts
  route(routes, listApplications, () => applicationsOf(db))
  route(routes, connectApplication, ({ body }, { caller, now }) => connect(db, newId, body, caller.id, now))
  route(routes, disconnectApplication, ({ params: { applicationId } }, { now }) => disconnect(db, applicationId, now))
  route(routes, tellActs, ({ body }, { res, now }) => {
    const { application } = res.locals
    if (!application?.scopes.includes('acts.tell')) fail('not-allowed', 'This token may not tell of acts.')
    return takeActs(db, application.id, body.acts, now)
  })
  route(routes, listActNames, () => actNames(db))
}
