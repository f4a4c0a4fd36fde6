import sharp, { type Metadata } from 'sharp'
import { PICTURE_LIMITS } from './limits'
import { NOT_A_PICTURE, pictureType, type Unreadable } from './pictureType'

/** A picture ready to be stored: written anew, without metadata, with two smaller ones. Sizes in pixels. */
export type ReadPicture = { mediaType: string; widthPx: number; heightPx: number; full: Buffer; screen: Buffer; thumb: Buffer }

// Strangers' bytes reach only the decoders of these types, and nothing decoded is kept.
sharp.cache(false)
sharp.concurrency(2)
sharp.block({ operation: ['VipsForeignLoad'] })
sharp.unblock({ operation: ['VipsForeignLoadPng', 'VipsForeignLoadJpeg', 'VipsForeignLoadWebp', 'VipsForeignLoadNsgif'] })

const refuse = (words: string): Unreadable => ({ ok: false, words: `${words} The step is as it was.` })
const MILLION = 1_000_000

/** What stands in the way by the head of the file alone, before anything is decoded. */
function tooLarge({ width, height, pageHeight, pages = 1 }: Metadata): Unreadable | null {
  const tall = pageHeight ?? height
  if (width > PICTURE_LIMITS.side || tall > PICTURE_LIMITS.side)
    return refuse(`The picture is ${width} × ${tall} pixels; a side may have ${PICTURE_LIMITS.side}.`)
  const pixels = width * tall * pages
  if (pixels > PICTURE_LIMITS.pixels)
    return refuse(
      `The picture has ${Math.ceil(pixels / MILLION)} million pixels${pages > 1 ? ' in all its frames' : ''}; at most ${PICTURE_LIMITS.pixels / MILLION} million are taken.`,
    )
  return null
}

/** Reads a picture from untrusted bytes and writes it anew: whatever was hidden in it (place, camera, scripts, other files) is gone.
 * Turned upright by its own mark first. A moving GIF stays moving; its smaller ones show its first picture. */
export async function readPicture(bytes: Buffer): Promise<{ ok: true; picture: ReadPicture } | Unreadable> {
  const type = pictureType(bytes)
  if (!type) return NOT_A_PICTURE
  const limits = { limitInputPixels: PICTURE_LIMITS.pixels, failOn: 'error' } as const
  try {
    const meta = await sharp(bytes, { limitInputPixels: false }).metadata()
    const refused = tooLarge(meta)
    if (refused) return refused
    const animated = type === 'gif' && (meta.pages ?? 1) > 1
    const upright = sharp(bytes, { ...limits, animated }).rotate()
    const whole =
      type === 'jpeg'
        ? upright.jpeg({ quality: 88, mozjpeg: false })
        : type === 'png'
          ? upright.png({ compressionLevel: 8 })
          : type === 'webp'
            ? upright.webp({ quality: 90 })
            : upright.gif()
    const { data: full, info } = await whole.toBuffer({ resolveWithObject: true })
    const still = sharp(full, limits)
    const screen = await still
      .clone()
      .resize({ width: 1280, height: 1600, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 86 })
      .toBuffer()
    const thumb = await still
      .clone()
      .resize({ width: 320, height: 320, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 80 })
      .toBuffer()
    const picture = {
      mediaType: `image/${type}`,
      widthPx: info.width,
      heightPx: info.pageHeight ?? info.height,
      full,
      screen: animated ? full : screen,
      thumb,
    }
    return { ok: true, picture }
  } catch {
    // What the decoder says of damaged bytes helps nobody; that they are damaged is the answer.
    return refuse('The file could not be read as a picture: it is damaged, or no PNG, JPEG, WebP or GIF.')
  }
}
