import type { PersonId } from '@jackdaw/core/shared'
import type { Request, Response } from 'express'
import type { Parts } from '../../http'
import { fail } from '../../http'
import { PERSON } from '../model'

/** Stores the picture of somebody, in place of the one before: a small one is all that is shown of it.
 * @param bytes untrusted */
export async function saveFace({ database, content, decoder }: Parts, id: PersonId, bytes: Uint8Array): Promise<void> {
  const read = await decoder.picture(bytes)
  if (!read.ok) return fail('not-a-picture', read.words)
  const faceHash = await content.put(read.picture.thumb)
  await database.in(PERSON).update({ faceHash }, { id })
}

/** Answers with the picture of somebody. Kept by the browser, which asks each time whether it may still show it. */
export async function sendFace({ database, content }: Parts, id: PersonId, req: Request, res: Response): Promise<void> {
  const hash = (await database.in(PERSON).one({ id }, { only: ['faceHash'] }))?.faceHash ?? fail('not-found')
  const etag = `"${hash.slice(0, 32)}"`
  res.setHeader('ETag', etag)
  res.setHeader('Cache-Control', 'private, no-cache')
  res.setHeader('Content-Security-Policy', "default-src 'none'")
  if (req.headers['if-none-match'] === etag) return void res.status(304).end()
  const bytes = (await content.get(hash)) ?? fail('not-found', 'The picture’s file is missing from the storage.')
  res.type('image/webp').send(bytes)
}
