import {
  changeMyPassword,
  choosePassword,
  endMySessions,
  forgotPassword,
  getInvitation,
  givePassword,
  invitePerson,
  listMySessions,
  listRightsChanges,
  lookAtLink,
  withdrawInvitation,
} from '@jackdaw/contracts/account'
import { fail, route, said, type Routes } from '../../http'
import { companyName } from '../../settings'
import { changePassword, chooseByLink, give, invitationOf, invite, mailForgotten, personOfLink, withdraw } from './accounts'
import { rightsChanges } from './rightsChanges'
import { endSessions, sessionsOf } from './sessions'
import { countTry, forgiveTries, type Tried } from './signInGuard'

/** Passwords, links by which they are chosen, sessions, invitations, and who changed whose rights. */
export function accountRoutes(routes: Routes): void {
  const { database: db, config, mail } = routes.parts
  const slowly = async (tried: Tried, now: number): Promise<void> => {
    const waitS = await countTry(db, tried, now)
    if (waitS > 0) fail('too-many-tries', said('Wait {{minutes}} min, then try again.', { minutes: Math.ceil(waitS / 60) }), [], waitS)
  }

  route(routes, changeMyPassword, async ({ body }, { caller, req, now }) => {
    const tried: Tried = { account: `password of ${caller.id}`, address: req.ip ?? '', device: null }
    await slowly(tried, now)
    await changePassword(db, caller.id, body, req.sessionID)
    await forgiveTries(db, tried)
  })
  route(routes, lookAtLink, async ({ body: { kind, token } }, { now }) => ({
    ...(await personOfLink(db, kind, token, now)),
    company: await companyName(db, config.company),
  }))
  route(routes, choosePassword, async ({ body: { kind, token, password } }, { now }) => ({
    account: await chooseByLink(db, kind, token, password, now),
  }))
  route(routes, forgotPassword, async ({ body: { account } }, { req, now }) => {
    // Each counts, so that nobody can be flooded with mails.
    await slowly({ account: `forgotten ${account}`, address: `forgotten ${req.ip ?? ''}`, device: null }, now)
    await mailForgotten(db, account, now)
  })
  route(routes, listMySessions, (_input, { caller, req, now }) => sessionsOf(db, caller.id, req.sessionID, now))
  route(routes, endMySessions, async ({ body: { id } }, { caller, req }) => ({
    ended: await endSessions(db, caller.id, req.sessionID, id),
  }))

  route(routes, getInvitation, async ({ params: { id } }) => ({ invitation: await invitationOf(db, id), mailed: mail !== null }))
  route(routes, invitePerson, ({ params: { id }, body: { when } }, { caller, now }) => invite(db, id, when, caller, now))
  route(routes, withdrawInvitation, ({ params: { id } }, { caller, now }) => withdraw(db, id, caller, now))
  route(routes, givePassword, ({ params: { id } }, { caller }) => give(db, id, caller))
  route(routes, listRightsChanges, ({ query: { before } }) => rightsChanges(db, before))
}
