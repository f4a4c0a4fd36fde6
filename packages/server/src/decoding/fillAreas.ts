import type { Rect } from '@jackdaw/core/guides'
import sharp from 'sharp'
import type { Unreadable } from './pictureType'
import { readPicture, type ReadPicture } from './readPicture'

/** The flat fill: ink. */
const FILL = { r: 0x17, g: 0x21, b: 0x2b }
/** Pictures that lose something when they are stored keep traces of what stood in an area in the blocks around it: those go along. */
const BLOCK_PX = 16
/** And their decoders smooth the edges of blocks, over this many pixels. */
const SMOOTHED_PX = 8

/** Fills areas of a stored picture and makes all that is derived from it anew. Nothing of what stood there is left in the answer.
 * @param areas in pixels of the picture */
export async function fillAreas(
  full: Buffer,
  mediaType: string,
  areas: readonly Rect[],
): Promise<{ ok: true; picture: ReadPicture } | Unreadable> {
  const moving = mediaType === 'image/gif'
  const picture = sharp(full, { animated: moving })
  const meta = await picture.metadata()
  const [width, height, pages] = [meta.width, meta.pageHeight ?? meta.height, meta.pages ?? 1]
  const block = mediaType === 'image/jpeg' || mediaType === 'image/webp' ? BLOCK_PX : 1
  const more = block > 1 ? SMOOTHED_PX : 0
  const tiles = areas.flatMap((area) => {
    const left = Math.max(0, Math.floor((area.x - more) / block) * block)
    const top = Math.max(0, Math.floor((area.y - more) / block) * block)
    const right = Math.min(width, Math.ceil((area.x + area.width + more) / block) * block)
    const bottom = Math.min(height, Math.ceil((area.y + area.height + more) / block) * block)
    if (right <= left || bottom <= top) return []
    const input = { create: { width: right - left, height: bottom - top, channels: 3 as const, background: FILL } }
    return Array.from({ length: moving ? pages : 1 }, (_, page) => ({ input, left, top: top + page * height }))
  })
  const filled = picture.composite(tiles)
  const bytes =
    mediaType === 'image/jpeg'
      ? await filled.jpeg({ quality: 94 }).toBuffer()
      : mediaType === 'image/webp'
        ? await filled.webp({ lossless: true }).toBuffer()
        : moving
          ? await filled.gif().toBuffer()
          : await filled.png().toBuffer()
  return readPicture(bytes)
}
