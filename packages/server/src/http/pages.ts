import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'
import { languageFor } from '@jackdaw/core/people'
import express, { type Request, type RequestHandler, type Response, type Router } from 'express'
import * as z from 'zod/mini'
import { fail } from './fail'
import type { Drawer, Still } from './drawer'
import { answersElement, firstAnswersFor, type FirstRead } from './firstAnswers'
import type { Routes } from './route'

const YEAR_MS = 365 * 86_400_000
/** How files are packed, the smallest first; by the names that browsers use, with the ending of the packed twin. */
const PACKED = [
  ['br', '.br'],
  ['gzip', '.gz'],
] as const

/** Serves the files with their contents' hash in the name from their packed twins, where the browser takes them. */
const packed =
  (assets: string): RequestHandler =>
  (req, res, next) => {
    if (!/^\/[\w.-]+\.(js|css|svg)$/.test(req.path)) return next()
    const found = PACKED.find(([name, end]) => req.acceptsEncodings(name) && existsSync(join(assets, req.path + end)))
    res.setHeader('Vary', 'Accept-Encoding')
    if (!found) return next()
    res.setHeader('Content-Encoding', found[0])
    res.type(req.path.slice(req.path.lastIndexOf('.')))
    req.url = req.path + found[1]
    next()
  }

/** Pages and files are read only. */
const onlyRead: RequestHandler = (req, res, next) => {
  if (req.method === 'GET' || req.method === 'HEAD') return next()
  res.setHeader('Allow', 'GET, HEAD')
  fail('wrong-method', 'Pages and their files can only be read.')
}

/** What the build says of the files that pages begin with: of all, of each page by its path, of each language. Addresses.
 * `framed`: the masthead stands above the page. */
const FirstFiles = z.object({
  fonts: z.array(z.string()),
  pages: z.array(z.object({ path: z.string(), framed: z.boolean(), scripts: z.array(z.string()) })),
  languages: z.record(z.string(), z.array(z.string())),
})
type FirstFiles = z.infer<typeof FirstFiles>

/** Reads what the build wrote beside the pages; without it pages are sent as they are. */
function firstFilesIn(webDir: string): FirstFiles {
  const path = join(webDir, 'first-files.json')
  return existsSync(path) ? FirstFiles.parse(JSON.parse(readFileSync(path, 'utf8'))) : { fonts: [], pages: [], languages: {} }
}

const preload = (scripts: readonly string[], fonts: readonly string[]): string =>
  [
    ...fonts.map((href) => `<link rel="preload" href="${href}" as="font" type="font/woff2" crossorigin>`),
    ...scripts.map((href) => `<link rel="modulepreload" href="${href}" crossorigin>`),
  ].join('')

const packBrotli = promisify(brotliCompress)
const packGzip = promisify(gzip)
const QUICK = { params: { [constants.BROTLI_PARAM_QUALITY]: 4 } }

/** Sends a page that is this person's own, packed as the browser takes it. Nothing that is asked for in its address is said in it again, so
 * that how short it becomes tells nothing of what is secret in it. */
async function sendPage(req: Request, res: Response, html: string): Promise<void> {
  res.setHeader('Cache-Control', 'no-store')
  res.setHeader('Vary', 'Accept-Encoding')
  res.type('html')
  const encoding = req.acceptsEncodings('br', 'gzip')
  if (!encoding) return void res.send(html)
  const bytes = encoding === 'br' ? await packBrotli(html, QUICK) : await packGzip(html)
  res.setHeader('Content-Encoding', encoding)
  res.send(bytes)
}

const MASTHEAD = /<!-- masthead -->.*<!-- \/masthead -->/s

/** A page as it will look, in the place where its scripts put it. What it looks like comes before the scripts. */
const withPicture = (html: string, { title, html: drawn }: Still): string =>
  html
    .replaceAll(/<(link rel="modulepreload"|script type="module")/g, '<$1 fetchpriority="low"')
    .replace(MASTHEAD, () => `<div data-still class="contents">${drawn}</div>`)
    .replace('<title>Jackdaw</title>', () => `<title>${title || 'Jackdaw'}</title>`)

/** The web pages: files under `/assets` for ever, and one page for every other address that a browser opens. It comes with what it begins
 * with: the names of its scripts and fonts, the first answers, and how it looks.
 * @param reads what goes along with each page, by its path; `*` with every one
 * @param drawer draws the pages that something goes along with */
export function pages(
  routes: Routes,
  webDir: string,
  reads: Readonly<Record<string, readonly FirstRead[]>>,
  drawer: Drawer | null,
): Router {
  const router = express.Router()
  const assets = join(webDir, 'assets')
  router.use(
    '/assets',
    onlyRead,
    packed(assets),
    express.static(assets, { maxAge: YEAR_MS, immutable: true, fallthrough: false, index: false, redirect: false }),
  )
  router.use(express.static(webDir, { index: false, maxAge: 0, redirect: false }))
  const html = readFileSync(join(webDir, 'index.html'), 'utf8')
  const files = firstFilesIn(webDir)
  const bare = html.replace(MASTHEAD, '')
  const send =
    (path: string, { scripts, framed }: { scripts: readonly string[]; framed: boolean }): RequestHandler =>
    async (req, res, next) => {
      if (req.path.startsWith('/api/') || !req.accepts('html')) return next()
      const { caller } = res.locals
      const language = caller?.language ?? languageFor(req.acceptsLanguages())
      const own = reads[path] ?? []
      const answers = await firstAnswersFor(routes, [...(reads['*'] ?? []), ...own], req, res)
      const head = preload([...scripts, ...(files.languages[language] ?? [])], files.fonts) + answersElement(answers)
      // Pages that guests open stand alone; within a frame of another site they look otherwise.
      const forGuests = own.every(({ endpoint }) => endpoint.access === 'anyone') && req.get('sec-fetch-dest') !== 'iframe'
      const draws = own.length > 0 && (framed ? caller : forGuests) && Object.keys(req.query).length === 0
      const drawn = draws ? await drawer?.draw({ path: req.path, language, answers: JSON.parse(answers) }) : null
      const page = ((framed && caller) || drawn ? html : bare)
        .replace('</head>', () => `${head}</head>`)
        .replace('<html lang="en">', `<html lang="${language}">`)
      await sendPage(req, res, drawn ? withPicture(page, drawn) : page)
    }
  const unknown = { scripts: [], framed: false }
  const known = new Map(files.pages.map((each) => [each.path, each]))
  for (const path of new Set([...known.keys(), ...Object.keys(reads)]))
    if (path !== '*') router.get(path, send(path, known.get(path) ?? unknown))
  router.get('/{*any}', send('*', unknown))
  return router
}
