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

/** Pages that other sites may show in a frame, and the origins of those sites. */
export type Framed = { path: RegExp; by: () => Promise<readonly string[]> }

function securityHeaders(https: boolean, framed: readonly Framed[]): RequestHandler {
  const [never, byUs] = [["'none'"], ["'self'"]].map((who) => headersFor(https, who))
  return async (req, res, next) => {
    const others = (await framed.find(({ path }) => path.test(req.path))?.by()) ?? []
    const headers = others.length > 0 ? headersFor(https, others) : FRAMED.test(req.path) ? byUs! : never!
    headers(req, res, next)
  }
}

const headersFor = (https: boolean, frameAncestors: readonly string[]): RequestHandler =>
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
        frameAncestors: [...frameAncestors],
      },
    },
    // An older header that cannot name sites: browsers that know the one above do not need it.
    xFrameOptions: frameAncestors[0]?.startsWith("'") ? { action: frameAncestors[0] === "'none'" ? 'deny' : 'sameorigin' } : false,
    strictTransportSecurity: https,
    referrerPolicy: { policy: 'same-origin' },
  })

/** Puts the server's layers on one another: headers, session, rights, routes, pages, errors.
 * @param whoIs find the caller, of a session or of a pairing
 * @param firstReads what goes along with the pages, by their paths
 * @param framed what other sites may show */
export function buildApp(
  parts: Parts,
  routes: Routes,
  whoIs: readonly RequestHandler[],
  firstReads: Readonly<Record<string, readonly FirstRead[]>>,
  framed: readonly Framed[] = [],
): { app: Express; close: () => Promise<void> } {
  const app = express()
  app.disable('x-powered-by')
  app.set('etag', false)
  app.set('query parser', 'simple')
  // Who sends, and whether by TLS, is what the trusted proxies say; whoever connects directly is taken as they are.
  app.set('trust proxy', parts.config.trustedProxies)
  app.use(requestLog(parts.log, parts.newId))
  app.use(securityHeaders(parts.config.https, framed))
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
