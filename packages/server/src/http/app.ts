import { join } from 'node:path'
import express, { type Express, type RequestHandler } from 'express'
import helmet from 'helmet'
import type { Parts } from './context'
import { startDrawer } from './drawer'
import type { FirstRead } from './firstAnswers'
import { pages } from './pages'
import { nothingHere, problemHandler } from './problemHandler'
import { requestLog } from './requestLog'
import type { Routes } from './route'
import { csrfGuard, renewal, sessions } from './session'

/** A draft that is tried is shown by its own editor as wide as a phone, in a frame; nothing else is ever framed. */
const FRAMED = /^\/guides\/[A-Za-z0-9_-]{21}\/preview\//

const securityHeaders = (https: boolean): RequestHandler => {
  const [never, byUs] = ["'none'", "'self'"].map((who) => headersFor(https, who))
  return (req, res, next) => (FRAMED.test(req.path) ? byUs! : never!)(req, res, next)
}

const headersFor = (https: boolean, frameAncestors: string): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'blob:', 'data:'],
        fontSrc: ["'self'"],
        mediaSrc: ["'self'", 'blob:'],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: [frameAncestors],
      },
    },
    xFrameOptions: { action: frameAncestors === "'none'" ? 'deny' : 'sameorigin' },
    strictTransportSecurity: https,
    referrerPolicy: { policy: 'same-origin' },
  })

/** Puts the server's layers on one another: headers, session, rights, routes, pages, errors.
 * @param whoIs find the caller, of a session or of a pairing
 * @param firstReads what goes along with the pages, by their paths */
export function buildApp(
  parts: Parts,
  routes: Routes,
  whoIs: readonly RequestHandler[],
  firstReads: Readonly<Record<string, readonly FirstRead[]>>,
): { app: Express; close: () => Promise<void> } {
  const app = express()
  app.disable('x-powered-by')
  app.set('etag', false)
  app.set('query parser', 'simple')
  // Who sends, and whether by TLS, is what the trusted proxies say; whoever connects directly is taken as they are.
  app.set('trust proxy', parts.config.trustedProxies)
  app.use(requestLog(parts.log, parts.newId))
  app.use(securityHeaders(parts.config.https))
  const { handler, close } = sessions(parts.config, parts.log)
  const needsSession: RequestHandler = (req, res, next) =>
    req.path.startsWith('/assets/') || req.path === '/healthz' || req.path === '/readyz' ? next() : handler(req, res, next)
  app.use(needsSession, renewal(parts.clock), csrfGuard, ...whoIs)
  app.use(routes.router)
  const { webDir } = parts.config
  const drawer = webDir === '' ? null : startDrawer(join(webDir, '../picture/main.mjs'), parts.log)
  if (webDir !== '') app.use(pages(routes, webDir, firstReads, drawer))
  app.use(nothingHere, problemHandler(parts.log))
  return {
    app,
    close: async () => {
      await Promise.all([close(), drawer?.stop()])
    },
  }
}
