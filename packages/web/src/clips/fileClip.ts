import type { ClipKind } from '@jackdaw/core/clips'
import { putInOrder } from './putInOrder'

/** Sound or video in this browser, that may be sent. */
export type FileClip = { file: Blob; kind: ClipKind; durationMs: number | null }

/** Files that are offered where one is chosen. What they are is found out by their first bytes. */
export const CLIP_FILES: Record<ClipKind, string> = { sound: 'audio/*', video: 'video/*' }

/** So long a browser may take to find out how long a file is. */
const PATIENCE_MS = 15_000

/** How long a file is, in seconds, as this browser plays it; infinite where the file does not say.
 * @returns `null` where it cannot play it */
async function playedFor(file: Blob, kind: ClipKind): Promise<number | null> {
  const address = URL.createObjectURL(file)
  const media = document.createElement(kind === 'video' ? 'video' : 'audio')
  try {
    return await new Promise<number | null>((resolve) => {
      const timer = setTimeout(() => resolve(null), PATIENCE_MS)
      const say = (seconds: () => number | null) => () => {
        clearTimeout(timer)
        resolve(seconds())
      }
      media.addEventListener(
        'loadedmetadata',
        say(() => media.duration),
      )
      media.addEventListener(
        'error',
        say(() => null),
      )
      media.preload = 'metadata'
      media.src = address
    })
  } finally {
    media.removeAttribute('src')
    media.load()
    URL.revokeObjectURL(address)
  }
}

/** What a chosen file is, put into order, as far as this browser can play it.
 * @returns `null` where it cannot */
export async function fileClip(chosen: File, kind: ClipKind): Promise<FileClip | null> {
  const seconds = await playedFor(chosen, kind)
  if (seconds === null) return null
  const file = await putInOrder(chosen)
  // Recorders do not say how long a file is; put into order it does.
  const known = Number.isFinite(seconds) ? seconds : await playedFor(file, kind)
  return { file, kind, durationMs: known !== null && Number.isFinite(known) ? Math.round(known * 1_000) : null }
}
