import { randomBytes, webcrypto } from 'node:crypto'
import { mkdir, open, readdir, rename, rm, stat, utimes } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import type { ContentStore } from './contentStore'

/** Counted off the event loop: large files would hold it up. */
const sha256 = async (bytes: Uint8Array): Promise<string> => Buffer.from(await webcrypto.subtle.digest('SHA-256', bytes)).toString('hex')

const HASH = /^[0-9a-f]{64}$/

/** Contents in a folder, two levels deep. Written to a temporary name, synced and renamed, so that a file is whole or not there. */
export function localStore(folder: string): ContentStore {
  const pathOf = (hash: string): string => {
    if (!HASH.test(hash)) throw new RangeError('not a content hash')
    return join(folder, hash.slice(0, 2), hash)
  }
  const missing = (error: unknown) => (error as NodeJS.ErrnoException).code === 'ENOENT'
  return {
    async put(bytes) {
      const hash = await sha256(bytes)
      const path = pathOf(hash)
      const there = await stat(path).catch((error: unknown) => (missing(error) ? null : Promise.reject(error)))
      if (there?.size === bytes.length) {
        // Somebody is about to refer to it: it counts as new.
        const now = new Date()
        await utimes(path, now, now)
        return hash
      }
      await mkdir(dirname(path), { recursive: true })
      const temporary = `${path}.${randomBytes(6).toString('hex')}.tmp`
      const file = await open(temporary, 'wx')
      try {
        await file.writeFile(bytes)
        await file.sync()
      } finally {
        await file.close()
      }
      await rename(temporary, path)
      return hash
    },
    async get(hash, range) {
      const file = await open(pathOf(hash), 'r').catch((error: unknown) => (missing(error) ? null : Promise.reject(error)))
      if (!file) return undefined
      try {
        if (!range) return await file.readFile()
        const buffer = Buffer.alloc(range.end - range.start)
        const { bytesRead } = await file.read(buffer, 0, buffer.length, range.start)
        return buffer.subarray(0, bytesRead)
      } finally {
        await file.close()
      }
    },
    delete: (hash) => rm(pathOf(hash), { force: true }),
    async *list() {
      for (const shelf of await readdir(folder).catch((error: unknown) => (missing(error) ? [] : Promise.reject(error))))
        for (const name of await readdir(join(folder, shelf))) {
          if (!HASH.test(name)) continue
          const found = await stat(join(folder, shelf, name)).catch((error: unknown) => (missing(error) ? null : Promise.reject(error)))
          if (found) yield { hash: name, storedAt: found.mtimeMs }
        }
    },
  }
}
