import { reasonOf } from '@jackdaw/core/shared'
import express, { type Request, type RequestHandler, type Response } from 'express'
import { fail, said } from './fail'

/** How deep lists and objects may lie in one another in a request: more than any text of a guide needs. */
const MAX_JSON_LEVELS = 250

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d]

/** Whether the lists and objects of a JSON text lie at most so deep in one another. Looks at bytes only, before anything is parsed. */
export function isShallow(json: Uint8Array, levels = MAX_JSON_LEVELS): boolean {
  let depth = 0
  for (let at = 0; at < json.length; at++) {
    const byte = json[at]
    if (byte === QUOTE) {
      for (at++; at < json.length && json[at] !== QUOTE; at++) if (json[at] === BACKSLASH) at++
    } else if (byte === OPEN_LIST || byte === OPEN_OBJECT) {
      if (++depth > levels) return false
    } else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) depth--
  }
  return true
}

/** What is larger is read in two turns, so that others have theirs in between. */
const LARGE_BYTES = 256 * 1024

async function parsed(bytes: Buffer): Promise<unknown> {
  if (bytes.length === 0) return {}
  if (!isShallow(bytes))
    fail('bad-request', said('Lists and objects may lie {{most}} deep in one another, not deeper.', { most: MAX_JSON_LEVELS }))
  if (bytes.length > LARGE_BYTES) await new Promise((resolve) => setImmediate(resolve))
  try {
    return JSON.parse(bytes.toString('utf8'))
  } catch (error) {
    if (error instanceof SyntaxError) return fail('bad-request', 'The body is not JSON.')
    throw error
  }
}

const isUtf8 = (req: Request): boolean => !/charset=(?!"?utf-?8"?\s*(;|$))/i.test(req.headers['content-type'] ?? '')

/** Reads a whole body as it comes; nothing is unpacked, so that what is taken is as large as what was sent.
 * @param takes whether this type of body is read at all */
export const bytesReader = (maxBytes: number, takes: (req: Request) => boolean): RequestHandler =>
  express.raw({ type: (req) => takes(req as Request), limit: maxBytes, inflate: false })

/** Reads a body of JSON in UTF-8. A body of another type is not read. */
export function jsonReader(maxBytes: number): RequestHandler {
  const bytes = bytesReader(maxBytes, (req) => Boolean(req.is('application/json')))
  return async (req: Request, res: Response, next) => {
    if (!isUtf8(req)) fail('wrong-type', 'A JSON body is expected in UTF-8.')
    await new Promise<void>((resolve, reject) =>
      bytes(req, res, (error?: unknown) => (error ? reject(error instanceof Error ? error : new Error(reasonOf(error))) : resolve())),
    )
    if (Buffer.isBuffer(req.body)) req.body = await parsed(req.body)
    next()
  }
}
