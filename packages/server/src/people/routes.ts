import { changeMe, findPeople, getMe, listGroups, signIn, signOut, type Me } from '@jackdaw/contracts/people'
import type { Request, RequestHandler } from 'express'
import { fail, newCsrfToken, route, type Caller, type Parts, type Routes, said } from '../http'
import { knownDevice, rememberDevice } from './signingIn/knownDevices'
import { verifyPassword } from './signingIn/password'
import { PERSON } from './model'
import { countTry, forgiveTries } from './signingIn/signInGuard'
import { findByMail, findCaller, findPeopleByName, listAllGroups } from './store'

/** Finds out who asks, from the session. */
export const whoIs =
  (parts: Parts): RequestHandler =>
  async (req, res, next) => {
    const id = req.session?.personId
    if (id) res.locals.caller = await findCaller(parts.database, id)
    next()
  }

const meOf = (caller: Caller, company: string, csrf: string): Me => ({
  id: caller.id,
  name: caller.name,
  level: caller.level,
  permissions: [...caller.permissions],
  hasReports: caller.hasReports,
  company,
  language: caller.language,
  csrf,
})

const inSession = (req: Request, method: 'regenerate' | 'save' | 'destroy'): Promise<void> =>
  new Promise((resolve, reject) => req.session[method]((error?: Error) => (error ? reject(error) : resolve())))

export function peopleRoutes(routes: Routes): void {
  const { database: db, config, clock } = routes.parts

  route(routes, signIn, async ({ body }, { req, res, now }) => {
    const tried = { account: body.mail, address: req.ip ?? '', device: await knownDevice(db, req, body.mail, now) }
    const waitS = await countTry(db, tried, now)
    if (waitS > 0) fail('too-many-tries', said('Wait {{minutes}} min, then try again.', { minutes: Math.ceil(waitS / 60) }), [], waitS)
    const found = await findByMail(db, body.mail)
    if (!(await verifyPassword(found?.passwordHash, body.password)) || !found)
      return fail('wrong-credentials', 'Check both and try again. Capital letters count in the password.')
    await forgiveTries(db, tried)
    await rememberDevice(db, req, res, found.caller.id, config.https, now)
    await inSession(req, 'regenerate')
    const csrf = newCsrfToken()
    Object.assign(req.session, { personId: found.caller.id, csrf, renewedAt: clock() })
    await inSession(req, 'save')
    return meOf(found.caller, config.company, csrf)
  })
  route(routes, signOut, async (_input, { req, res }) => {
    await inSession(req, 'destroy')
    res.clearCookie('jackdaw', { path: '/' })
  })
  route(routes, getMe, async (_input, { caller, req }) => (caller ? meOf(caller, config.company, req.session.csrf ?? '') : null))

  route(routes, changeMe, async ({ body: { language } }, { caller }) => void (await db.in(PERSON).update({ language }, { id: caller.id })))

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
