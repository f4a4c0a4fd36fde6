import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { writeCaptions } from '@jackdaw/core/clips'
import type { CaptionsId } from '@jackdaw/core/shared'
import type { Request, Response } from 'express'
import { fail, type Parts } from '../../http'
import type { Clip } from './clipStore'
import { CLIP_CAPTIONS, CLIP_PART } from './model'

type Asked = { req: Request; res: Response; captions?: CaptionsId | undefined }
type Piece = { startsAt: number; bytes: number; hash: string }

/** Answers with a clip or a range of it, or with captions of it. Kept by the browser, which asks each time whether it may still play it. */
export async function sendClip(
  { database: db, content }: Pick<Parts, 'database' | 'content'>,
  clip: Clip | undefined,
  { req, res, captions }: Asked,
): Promise<void> {
  if (!clip?.mediaType || clip.receivedBytes < clip.bytes) return fail('not-found')
  res.setHeader('Cache-Control', 'private, no-cache')
  res.setHeader('Content-Security-Policy', "default-src 'none'")
  const etag = `"${captions ?? clip.id}"`
  res.setHeader('ETag', etag)
  if (captions !== undefined) {
    const row = (await db.in(CLIP_CAPTIONS).one({ id: captions, clipId: clip.id })) ?? fail('not-found')
    if (req.headers['if-none-match'] === etag) return void res.status(304).end()
    return void res.type('text/vtt').send(writeCaptions(row.cues))
  }
  res.setHeader('Accept-Ranges', 'bytes')
  if (req.headers['if-none-match'] === etag) return void res.status(304).end()
  const { from, until, part } = rangeOf(req, res, clip.bytes, etag)
  const pieces = (await db.in(CLIP_PART).find({ clipId: clip.id }, { order: ['startsAt'] })).filter(
    ({ startsAt, bytes }) => startsAt < until && startsAt + bytes > from,
  )
  const [first] = pieces
  if (!first || !(await content.get(first.hash, { start: 0, end: 1 }))) return fail('not-found', 'The file is missing from the storage.')
  res.status(part ? 206 : 200)
  if (part) res.setHeader('Content-Range', `bytes ${from}-${until - 1}/${clip.bytes}`)
  res.type(clip.mediaType).setHeader('Content-Length', until - from)
  if (req.method === 'HEAD') return void res.end()
  await pipeline(Readable.from(read(content, pieces, from, until)), res).catch((error: unknown) => {
    // Whoever has heard enough closes the connection.
    if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error
  })
}

/** What of a file is asked for, in bytes. One range is answered; more at a time nobody needs, and they get the whole. */
function rangeOf(req: Request, res: Response, size: number, etag: string): { from: number; until: number; part: boolean } {
  const whole = { from: 0, until: size, part: false }
  const since = req.headers['if-range']
  if (req.headers.range === undefined || (since !== undefined && since !== etag)) return whole
  const ranges = req.range(size)
  if (ranges === -1) {
    res.setHeader('Content-Range', `bytes */${size}`)
    return fail('no-such-range')
  }
  if (ranges === undefined || ranges === -2 || ranges.type !== 'bytes' || ranges.length !== 1) return whole
  const [{ start, end }] = ranges as unknown as [{ start: number; end: number }]
  return { from: start, until: end + 1, part: true }
}

/** So much is read from the storage at a time. */
const AT_A_TIME = 1024 * 1024
async function* read(content: Parts['content'], pieces: readonly Piece[], from: number, until: number): AsyncGenerator<Buffer> {
  for (const { startsAt, bytes, hash } of pieces) {
    const end = Math.min(bytes, until - startsAt)
    for (let start = Math.max(0, from - startsAt); start < end; start += AT_A_TIME) {
      const range = { start, end: Math.min(end, start + AT_A_TIME) }
      const chunk = await content.get(hash, range)
      if (chunk?.length !== range.end - range.start) throw new Error(`a piece of a clip is missing from the storage: ${hash}`)
      yield chunk
    }
  }
}
