import { changeMe, findPeople, getMe, listGroups, signIn, signOut, type Me } from '@jackdaw/contracts/people'
import type { RequestHandler } from 'express'
import type { Db } from '../db'
import { companyFacts } from '../settings'
import { fail, route, type Caller, type Parts, type Routes, said } from '../http'
import { knownDevice, rememberDevice } from './signingIn/knownDevices'
import { verifyPassword } from './signingIn/password'
import { PERSON } from './model'
import { beginSession, endSession } from './signingIn/sessions'
import { countTry, forgiveTries } from './signingIn/signInGuard'
import { findByAccount, findCaller, findPeopleByName, listAllGroups } from './store'

/** Finds out who asks, from the session. */
export const whoIs =
  (parts: Parts): RequestHandler =>
  async (req, res, next) => {
    const id = req.session?.personId
    if (id) res.locals.caller = await findCaller(parts.database, id)
    next()
  }

const meOf = async (db: Db, caller: Caller, otherwise: string, csrf: string): Promise<Me> => {
  const company = await companyFacts(db)
  return {
    id: caller.id,
    name: caller.name,
    level: caller.level,
    permissions: [...caller.permissions],
    hasReports: caller.hasReports,
    company: company?.name ?? otherwise,
    begins: company?.begun === false && caller.permissions.has('people.manage'),
    language: caller.language,
    readsAsPage: caller.readsAsPage,
    passwordToChoose: caller.passwordToChoose,
    csrf,
  }
}

export function peopleRoutes(routes: Routes): void {
  const { database: db, config } = routes.parts

  route(routes, signIn, async ({ body }, { req, res, now }) => {
    const tried = { account: body.account, address: req.ip ?? '', device: await knownDevice(db, req, body.account, now) }
    const waitS = await countTry(db, tried, now)
    if (waitS > 0) fail('too-many-tries', said('Wait {{minutes}} min, then try again.', { minutes: Math.ceil(waitS / 60) }), [], waitS)
    const found = await findByAccount(db, body.account)
    if (!(await verifyPassword(found?.passwordHash, body.password)) || !found)
      return fail('wrong-credentials', 'Check both and try again. Capital letters count in the password.')
    await forgiveTries(db, tried)
    await rememberDevice(db, req, res, found.caller.id, config.https, now)
    return meOf(db, found.caller, config.company, await beginSession(req, found.caller.id, now))
  })
  route(routes, signOut, async (_input, { req, res }) => {
    await endSession(req)
    res.clearCookie('jackdaw', { path: '/' })
  })
  route(routes, getMe, async (_input, { caller, req }) => (caller ? meOf(db, caller, config.company, req.session.csrf ?? '') : null))

  route(routes, changeMe, async ({ body }, { caller }) => {
    if (Object.keys(body).length > 0) await db.in(PERSON).update(body, { id: caller.id })
  })

  route(routes, findPeople, async ({ query }) =>
    (await findPeopleByName(db, query.find?.trim() ?? '', query.writers === 'yes')).map((row) => ({
      id: row.id,
      name: row.name,
      site: row.site,
      department: row.department,
      mayWrite: row.may_write,
    })),
  )
  route(routes, listGroups, () => listAllGroups(db))
}
