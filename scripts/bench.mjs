// `npm run bench`: builds, then measures. `-- --quick` for a short round.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureNpmPackages } from './packages.mjs'

ensureNpmPackages(process.cwd(), console.log)
const { buildIfStale, ROOT } = await import('./build.mjs')
await buildIfStale({ quiet: true })
const esbuild = await import('esbuild')
const outfile = join(ROOT, '.build/bench.mjs')
await esbuild.build({
  absWorkingDir: ROOT,
  entryPoints: ['bench/src/main.ts'],
  outfile,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  logLevel: 'warning',
  plugins: [
    {
      name: 'packages-outside',
      setup: (build) =>
        build.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
          kind === 'entry-point' || path.startsWith('@jackdaw/') ? undefined : { path, external: true },
        ),
    },
  ],
})
process.exit(spawnSync(process.execPath, [outfile, ...process.argv.slice(2)], { cwd: ROOT, stdio: 'inherit' }).status ?? 1)
