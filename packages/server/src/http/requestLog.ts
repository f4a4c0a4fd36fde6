import type { NewId } from '@jackdaw/core/shared'
import type { RequestHandler } from 'express'
import type { Logger } from 'pino'

/** One line a request: number, route as declared, status, time. Never an address with ids, a name, a body or a cookie. */
export const requestLog =
  (log: Logger, newId: NewId): RequestHandler =>
  (req, res, next) => {
    const requestId = newId().slice(0, 10)
    const startedAt = performance.now()
    res.locals.requestId = requestId
    res.setHeader('X-Request-Id', requestId)
    res.on('close', () => {
      const route = res.locals.route ?? `${req.method.toLowerCase()} (page or file)`
      const ms = Math.round((performance.now() - startedAt) * 10) / 10
      log[res.statusCode >= 500 ? 'error' : res.locals.route ? 'info' : 'debug'](
        { requestId, route, status: res.statusCode, ms, whole: res.writableFinished },
        'request',
      )
    })
    next()
  }
