import type { Rect } from '@jackdaw/core/guides'
import sharp, { type Sharp } from 'sharp'

/** The flat fill of what is to be hidden: ink. */
const INK = { r: 0x17, g: 0x21, b: 0x2b }
const JPEG = 'image/jpeg'

/** The part of a stored picture that leaves the application: nothing around it, and nothing of what is hidden in it.
 * @param from in pixels of the stored picture
 * @param hidden areas that are filled
 * @param mostPx at most so wide */
export async function cropped(
  path: string,
  { from, hidden, mostPx }: { from: Rect; hidden: readonly Rect[]; mostPx: number },
): Promise<Sharp> {
  const { width: wholeWidth = 1, height: wholeHeight = 1 } = await sharp(path).metadata()
  const left = Math.min(Math.max(0, Math.round(from.x)), wholeWidth - 1)
  const top = Math.min(Math.max(0, Math.round(from.y)), wholeHeight - 1)
  const width = Math.max(1, Math.min(Math.round(from.width), wholeWidth - left))
  const height = Math.max(1, Math.min(Math.round(from.height), wholeHeight - top))
  const tiles = hidden.flatMap((area) => {
    const [x, y] = [Math.max(0, Math.floor(area.x) - left), Math.max(0, Math.floor(area.y) - top)]
    const [right, bottom] = [
      Math.min(width, Math.ceil(area.x + area.width) - left),
      Math.min(height, Math.ceil(area.y + area.height) - top),
    ]
    if (right <= x || bottom <= y) return []
    return [{ input: { create: { width: right - x, height: bottom - y, channels: 3 as const, background: INK } }, left: x, top: y }]
  })
  let picture = sharp(path).extract({ left, top, width, height }).flatten({ background: '#ffffff' })
  // What is filled is filled before anything is made smaller: nothing of it may be left at its edges.
  if (tiles.length > 0) picture = sharp(await picture.composite(tiles).png({ compressionLevel: 1 }).toBuffer()).removeAlpha()
  return width > mostPx ? picture.resize({ width: Math.round(mostPx) }) : picture
}

/** A screen stays as it is, so that small letters stay sharp, unless that takes too much; photographs are JPEG. */
const MOST_PNG_BYTES = 700_000

/** A part of a picture as a file, in one of the two formats that everything reads.
 * @param passing it is read again at once, and need not be small */
export async function bitmap(
  path: string,
  mediaType: string,
  { passing = false, ...part }: { from: Rect; hidden: readonly Rect[]; mostPx: number; passing?: boolean },
): Promise<{ bytes: Buffer; type: 'png' | 'jpeg' }> {
  const picture = await cropped(path, part)
  if (passing) return { bytes: await picture.toColourspace('srgb').png({ compressionLevel: 1 }).toBuffer(), type: 'png' }
  if (mediaType !== JPEG) {
    const bytes = await picture.clone().toColourspace('srgb').png({ compressionLevel: 6 }).toBuffer()
    if (bytes.length <= MOST_PNG_BYTES) return { bytes, type: 'png' }
  }
  return { bytes: await picture.jpeg({ quality: 88, chromaSubsampling: '4:4:4' }).toBuffer(), type: 'jpeg' }
}
