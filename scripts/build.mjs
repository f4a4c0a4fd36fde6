// Builds the web pages and the server into dist/. `node scripts/build.mjs` from the root; needs the npm packages.
import { createHash } from 'node:crypto'
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { brotliCompressSync, gzipSync } from 'node:zlib'

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
  for (const part of [
    'packages',
    'standins',
    'demo/src',
    'package-lock.json',
    'scripts/build.mjs',
    'scripts/unusedValues.mjs',
    'scripts/firstFiles.mjs',
    'scripts/firstPictureWorker.mjs',
    'vite.config.ts',
  ])
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

/** A small server of a stand-in. */
const standInServer = (esbuild, name) =>
  esbuild.build({
    entryPoints: { main: join(ROOT, 'standins', name, 'src/main.ts') },
    outdir: join(ROOT, 'dist/standins', name),
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    logLevel: 'warning',
    plugins: [packagesOutside],
  })

/** The stand-ins: small servers with pages of their own. */
export async function buildStandIns() {
  const esbuild = await import('esbuild')
  const from = join(ROOT, 'standins/order-book')
  const to = join(ROOT, 'dist/standins/order-book')
  await Promise.all([
    standInServer(esbuild, 'order-book'),
    standInServer(esbuild, 'mail'),
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

/** The browser extension. Every script is one file: content scripts cannot import. */
export async function buildRecorder() {
  const [esbuild, { default: sharp }] = await Promise.all([import('esbuild'), import('sharp')])
  const from = join(ROOT, 'packages/recorder')
  const to = join(ROOT, 'dist/recorder')
  const common = { outdir: to, bundle: true, minify: true, target: 'chrome120', legalComments: 'none', logLevel: 'warning' }
  await Promise.all([
    esbuild.build({ ...common, entryPoints: { content: join(from, 'src/content/main.ts') }, format: 'iife' }),
    esbuild.build({
      ...common,
      entryPoints: { background: join(from, 'src/background/main.ts'), panel: join(from, 'src/panel/main.ts') },
      format: 'esm',
    }),
  ])
  cpSync(join(from, 'public'), to, { recursive: true })
  const icon = readFileSync(join(ROOT, 'packages/web/public/jackdaw.svg'))
  for (const size of [16, 48, 128])
    await sharp(icon, { density: 300 })
      .resize(size, size)
      .png()
      .toFile(join(to, `icon-${size}.png`))
}

export async function buildServer() {
  const esbuild = await import('esbuild')
  await esbuild.build({
    absWorkingDir: ROOT,
    entryPoints: {
      main: 'packages/server/src/main.ts',
      decoding: 'packages/server/src/decoding/process.ts',
      writing: 'packages/server/src/writing/process.ts',
    },
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

/** What draws pages ahead of the browser: the pages themselves, for Node.js, with all packages in them. */
async function buildFirstPicture() {
  const esbuild = await import('esbuild')
  await esbuild.build({
    absWorkingDir: ROOT,
    entryPoints: { main: 'scripts/firstPictureWorker.mjs' },
    outdir: 'dist/picture',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    jsx: 'automatic',
    minifySyntax: true,
    define: { 'process.env.NODE_ENV': '"production"', 'import.meta.env.DEV': 'false' },
    // Packages that are CommonJS ask for Node's own by `require`.
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
    logLevel: 'warning',
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
    buildFirstPicture(),
    buildStandIns(),
    buildRecorder(),
    vite.build({ root: join(ROOT, 'packages/web'), configFile: join(ROOT, 'vite.config.ts'), logLevel: quiet ? 'error' : 'warn' }),
  ])
  const assets = join(ROOT, 'dist/web/assets')
  for (const name of readdirSync(assets))
    if (/\.(js|css|svg)$/.test(name)) {
      const bytes = readFileSync(join(assets, name))
      writeFileSync(join(assets, `${name}.gz`), gzipSync(bytes, { level: 9 }))
      writeFileSync(join(assets, `${name}.br`), brotliCompressSync(bytes))
    }
  writeFileSync(STAMP, hash)
  return true
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  await buildIfStale({ force: true })
}
