import type { PersonId } from '@jackdaw/core/shared'
import type { RequestHandler } from 'express'
import type { Caller, Parts } from '../http'
import { findPairing } from './pairing'

const BEARER = /^Bearer ([A-Za-z0-9_-]{40,80})$/

/** Finds out in whose name a recorder speaks, from the token of its pairing. Its cookies do not count.
 * @param findCaller the person, or `null` when they are no longer active */
export const whoRecords =
  ({ database, clock }: Parts, findCaller: (id: PersonId) => Promise<Caller | null>): RequestHandler =>
  async (req, res, next) => {
    const token = req.path.startsWith('/api/recorder/') ? BEARER.exec(req.headers.authorization ?? '')?.[1] : undefined
    const pairing = token ? await findPairing(database, token, clock()) : null
    if (pairing) {
      res.locals.recorder = await findCaller(pairing.personId)
      res.locals.recorderId = pairing.id
    }
    next()
  }
