import type { Tags } from 'exifreader'

/** As cameras write it: `2026:11:03 07:15:02`, in the time of the place. */
const CAMERA_TIME = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)/
/** Bytes at the beginning of a picture in which cameras write what they know of it. */
const HEAD_BYTES = 256 * 1024

/** When a picture was taken, in milliseconds: as the camera wrote it into the file, else when the file was last changed. */
export function takenOf(tags: Pick<Tags, 'DateTimeOriginal' | 'SubSecTimeOriginal'>, lastModified: number): number {
  const match = CAMERA_TIME.exec(String(tags.DateTimeOriginal?.description ?? ''))
  if (!match) return lastModified
  const [year, month, day, hour, minute, second] = match.slice(1).map(Number) as [number, number, number, number, number, number]
  const at = new Date(year, month - 1, day, hour, minute, second).getTime()
  return at + Number(`0.${/^\d+/.exec(String(tags.SubSecTimeOriginal?.description ?? ''))?.[0] ?? 0}`) * 1000
}

/** Reads when a picture was taken, see {@link takenOf}. */
export async function takenAt(file: File): Promise<number> {
  const { load } = await import('exifreader')
  try {
    return takenOf(load(await file.slice(0, HEAD_BYTES).arrayBuffer()), file.lastModified)
  } catch {
    // A picture in which no camera wrote anything, or a kind that holds no such thing.
    return file.lastModified
  }
}
