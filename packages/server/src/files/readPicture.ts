import sharp, { type Metadata } from 'sharp'
import { fail } from '../http'

/** A picture ready to be stored: written anew, without metadata, with two smaller ones. Sizes in pixels. */
export type ReadPicture = { mediaType: string; widthPx: number; heightPx: number; full: Buffer; screen: Buffer; thumb: Buffer }

const MAX_PIXELS = 60_000_000
const FORMATS: Record<string, string> = { png: 'image/png', jpeg: 'image/jpeg', webp: 'image/webp', gif: 'image/gif' }

/** Reads a picture from untrusted bytes and writes it anew: whatever was hidden in it (place, camera, scripts, other files) is gone.
 * Turned upright by its own mark first. A moving GIF stays moving; its smaller ones show its first picture. */
export async function readPicture(bytes: Buffer): Promise<ReadPicture> {
  try {
    const meta: Metadata = await sharp(bytes, { limitInputPixels: MAX_PIXELS }).metadata()
    const mediaType = FORMATS[meta.format ?? '']
    if (!mediaType)
      return fail(
        'not-a-picture',
        `Pictures may be PNG, JPEG, WebP or GIF; this is ${meta.format ?? 'something else'}. The step is as it was.`,
      )
    const animated = meta.format === 'gif' && (meta.pages ?? 1) > 1
    const upright = sharp(bytes, { limitInputPixels: MAX_PIXELS, animated, failOn: 'error' }).rotate()
    const whole =
      meta.format === 'jpeg'
        ? upright.jpeg({ quality: 88, mozjpeg: false })
        : meta.format === 'png'
          ? upright.png({ compressionLevel: 8 })
          : meta.format === 'webp'
            ? upright.webp({ quality: 90 })
            : upright.gif()
    const { data: full, info } = await whole.toBuffer({ resolveWithObject: true })
    const still = sharp(full, { limitInputPixels: MAX_PIXELS })
    const [screen, thumb] = await Promise.all([
      still.clone().resize({ width: 1280, height: 1600, fit: 'inside', withoutEnlargement: true }).webp({ quality: 86 }).toBuffer(),
      still.clone().resize({ width: 320, height: 320, fit: 'inside', withoutEnlargement: true }).webp({ quality: 80 }).toBuffer(),
    ])
    return { mediaType, widthPx: info.width, heightPx: info.pageHeight ?? info.height, full, screen: animated ? full : screen, thumb }
  } catch (error) {
    if (error instanceof Error && error.name === 'Refused') throw error
    return fail(
      'not-a-picture',
      `The file could not be read as a picture (PNG, JPEG, WebP or GIF up to ${MAX_PIXELS / 1_000_000} million pixels). The step is as it was.`,
    )
  }
}
