import { mkdtemp, readdir, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { localStore } from './localStore'

let folder = ''
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'contents-'))
})
afterAll(() => rm(folder, { recursive: true }))

it('keeps the same content once and gives back parts of it', async () => {
  const store = localStore(folder)
  const hash = await store.put(Buffer.from('label printer'))
  expect(await store.put(Buffer.from('label printer'))).toBe(hash)
  expect((await store.get(hash))?.toString()).toBe('label printer')
  expect((await store.get(hash, { start: 6, end: 13 }))?.toString()).toBe('printer')
  const all: string[] = []
  for await (const { hash: each } of store.list()) all.push(each)
  expect(all).toEqual([hash])
  expect(await readdir(join(folder, hash.slice(0, 2)))).toEqual([hash])
  await store.delete(hash)
  expect(await store.get(hash)).toBeUndefined()
})
it('does not take a path for a hash', async () => {
  await expect(localStore(folder).get('../../etc/passwd')).rejects.toThrow(RangeError)
})
