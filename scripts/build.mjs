// Builds the web pages and the server into dist/. `node scripts/build.mjs` from the root; needs the npm packages.
import { createHash } from 'node:crypto'
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
const STAMP = join(ROOT, 'dist', 'built-from')

function* sources(path) {
  if (statSync(path).isFile()) yield path
  else
    for (const name of readdirSync(path).sort())
      if (name !== 'node_modules' && name !== 'dist' && !name.endsWith('.test.ts')) yield* sources(join(path, name))
}

/** Hash over everything that the build reads. */
function sourceHash() {
  const hash = createHash('sha256')
  for (const part of ['packages', 'standins', 'demo/src', 'package-lock.json', 'scripts/build.mjs', 'vite.config.ts'])
    for (const file of sources(join(ROOT, part))) hash.update(file.slice(ROOT.length)).update(readFileSync(file))
  return hash.digest('hex')
}

// Packages stay outside, our own workspaces come in.
const packagesOutside = {
  name: 'packages-outside',
  setup: (build) =>
    build.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
      kind === 'entry-point' || path.startsWith('@jackdaw/') ? undefined : { path, external: true },
    ),
}

/** The stand-ins: small servers with pages of their own. */
export async function buildStandIns() {
  const esbuild = await import('esbuild')
  const from = join(ROOT, 'standins/order-book')
  const to = join(ROOT, 'dist/standins/order-book')
  await Promise.all([
    esbuild.build({
      entryPoints: { main: join(from, 'src/main.ts') },
      outdir: to,
      outExtension: { '.js': '.mjs' },
      bundle: true,
      platform: 'node',
      target: 'node20',
      format: 'esm',
      logLevel: 'warning',
      plugins: [packagesOutside],
    }),
    esbuild.build({
      entryPoints: { main: join(from, 'client/main.ts'), notes: join(from, 'client/notes.ts') },
      outdir: join(to, 'web'),
      bundle: true,
      minify: true,
      target: 'es2022',
      format: 'esm',
      logLevel: 'warning',
    }),
  ])
  cpSync(join(from, 'public'), join(to, 'web'), { recursive: true })
}

export async function buildServer() {
  const esbuild = await import('esbuild')
  await esbuild.build({
    absWorkingDir: ROOT,
    entryPoints: { main: 'packages/server/src/main.ts', importWorker: 'packages/server/src/exchange/importWorker.ts' },
    outdir: 'dist/server',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    sourcemap: true,
    logLevel: 'warning',
    plugins: [packagesOutside],
  })
}

/** Builds when something changed since the last time. */
export async function buildIfStale({ force = false, quiet = false } = {}) {
  const hash = sourceHash()
  if (!force && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return false
  rmSync(join(ROOT, 'dist'), { recursive: true, force: true })
  mkdirSync(join(ROOT, 'dist'), { recursive: true })
  const vite = await import('vite')
  await Promise.all([
    buildServer(),
    buildStandIns(),
    vite.build({ root: join(ROOT, 'packages/web'), configFile: join(ROOT, 'vite.config.ts'), logLevel: quiet ? 'error' : 'warn' }),
  ])
  const assets = join(ROOT, 'dist/web/assets')
  for (const name of readdirSync(assets))
    if (/\.(js|css|svg)$/.test(name)) writeFileSync(join(assets, `${name}.gz`), gzipSync(readFileSync(join(assets, name)), { level: 9 }))
  writeFileSync(STAMP, hash)
  return true
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  await buildIfStale({ force: true })
}
