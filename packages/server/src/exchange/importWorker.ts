import { randomFillSync } from 'node:crypto'
import { parentPort, workerData } from 'node:worker_threads'
import { importMarkdown } from '@jackdaw/core/exchange'

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789_-'
const pool = Buffer.alloc(8_400)
let used = pool.length
/** Ids from a pool of random bytes: a large text needs thousands. */
const newId = (): string => {
  if (used + 21 > pool.length) {
    randomFillSync(pool)
    used = 0
  }
  let id = ''
  for (let i = 0; i < 21; i++) id += ALPHABET[pool[used++]! & 63]
  return id
}

const { source, fileName } = workerData as { source: string; fileName: string }
parentPort?.postMessage(importMarkdown(source, fileName, newId))
