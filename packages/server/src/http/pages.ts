import { existsSync } from 'node:fs'
import { join } from 'node:path'
import express, { type RequestHandler, type Router } from 'express'
import { fail } from './fail'

const YEAR_MS = 365 * 86_400_000

/** Serves the files with their contents' hash in the name from their gzip twins, where the browser takes them. */
const packed =
  (assets: string): RequestHandler =>
  (req, res, next) => {
    const twin = `${req.path}.gz`
    if (
      !String(req.headers['accept-encoding'] ?? '').includes('gzip') ||
      !/^\/[\w.-]+\.(js|css|svg)$/.test(req.path) ||
      !existsSync(join(assets, twin))
    )
      return next()
    res.setHeader('Content-Encoding', 'gzip')
    res.setHeader('Vary', 'Accept-Encoding')
    res.type(req.path.slice(req.path.lastIndexOf('.')))
    req.url = twin
    next()
  }

/** Pages and files are read only. */
const onlyRead: RequestHandler = (req, res, next) => {
  if (req.method === 'GET' || req.method === 'HEAD') return next()
  res.setHeader('Allow', 'GET, HEAD')
  fail('wrong-method', 'Pages and their files can only be read.')
}

/** The web pages: files under `/assets` for ever, and one page for every other address that a browser opens. */
export function pages(webDir: string): Router {
  const router = express.Router()
  const assets = join(webDir, 'assets')
  router.use(
    '/assets',
    onlyRead,
    packed(assets),
    express.static(assets, { maxAge: YEAR_MS, immutable: true, fallthrough: false, index: false, redirect: false }),
  )
  router.use(express.static(webDir, { index: false, maxAge: 0, redirect: false }))
  router.get('/{*any}', (req, res, next) => {
    if (req.path.startsWith('/api/') || !req.accepts('html')) return next()
    res.setHeader('Cache-Control', 'no-cache')
    res.sendFile(join(webDir, 'index.html'))
  })
  return router
}
