import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { zipSync, type Zippable } from 'fflate'

const FIXED_TIME = new Date('2026-01-01T00:00:00Z')

/** The extension as a zip, made for one Jackdaw: it may always speak to this address, and pages there may speak to it. Everything else it
 * asks for when a recording starts.
 * @param folder the built extension
 * @param origin scheme, host and port under which people reach this Jackdaw */
export async function recorderZip(folder: string, origin: string): Promise<Buffer> {
  const files: Zippable = {}
  for (const name of (await readdir(folder, { recursive: true, withFileTypes: true })).filter((entry) => entry.isFile())) {
    const path = join(name.parentPath, name.name)
    files[`jackdaw-recorder/${path.slice(folder.length + 1)}`] = [new Uint8Array(await readFile(path)), { mtime: FIXED_TIME }]
  }
  const manifest: Record<string, unknown> = JSON.parse(await readFile(join(folder, 'manifest.json'), 'utf8'))
  const pattern = patternFor(origin)
  const own = { ...manifest, host_permissions: [pattern], externally_connectable: { matches: [pattern] } }
  files['jackdaw-recorder/manifest.json'] = [new TextEncoder().encode(JSON.stringify(own, null, 2)), { mtime: FIXED_TIME }]
  files['jackdaw-recorder/jackdaw.json'] = [new TextEncoder().encode(JSON.stringify({ origin })), { mtime: FIXED_TIME }]
  return Buffer.from(zipSync(files))
}

/** What the browser calls that origin in a manifest: without a port, which patterns of this kind do not have. */
const patternFor = (origin: string): string => {
  const { protocol, hostname } = new URL(origin)
  return `${protocol}//${hostname}/*`
}
