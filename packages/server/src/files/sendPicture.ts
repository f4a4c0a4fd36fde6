import type { PictureSize } from '@jackdaw/contracts/pictures'
import type { Request, Response } from 'express'
import { fail } from '../http'
import type { ContentStore } from '../storage'
import type { PictureVersion } from './pictureStore'

/** Answers with a picture. Kept by the browser, which asks each time whether it may still show it. */
export async function sendPicture(
  req: Request,
  res: Response,
  content: ContentStore,
  picture: PictureVersion | undefined,
  size: PictureSize,
): Promise<void> {
  if (!picture) return fail('not-found')
  const hash = { full: picture.fullHash, screen: picture.screenHash, thumb: picture.thumbHash }[size]
  const etag = `"${hash.slice(0, 32)}"`
  res.setHeader('ETag', etag)
  res.setHeader('Cache-Control', 'private, no-cache')
  res.setHeader('Content-Security-Policy', "default-src 'none'")
  if (req.headers['if-none-match'] === etag) return void res.status(304).end()
  const bytes = (await content.get(hash)) ?? fail('not-found', 'The picture’s file is missing from the storage.')
  res.type(size === 'full' || hash === picture.fullHash ? picture.mediaType : 'image/webp').send(bytes)
}
