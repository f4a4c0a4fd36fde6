import type { ClipKind } from '@jackdaw/core/clips'
import { putInOrder } from './putInOrder'

/** Sound or video in this browser, that may be sent. */
export type FileClip = { file: Blob; kind: ClipKind; durationMs: number | null }

/** Files that are offered where one is chosen. What they are is found out by their first bytes. */
export const CLIP_FILES: Record<ClipKind, string> = { sound: 'audio/*', video: 'video/*' }

/** So long a browser may take to find out how long a file is. */
const PATIENCE_MS = 15_000

/** What a chosen file is, as far as this browser can play it.
 * @returns `null` where it cannot */
export async function fileClip(file: File, kind: ClipKind): Promise<FileClip | null> {
  const address = URL.createObjectURL(file)
  const media = document.createElement(kind === 'video' ? 'video' : 'audio')
  try {
    const there = await new Promise<boolean>((resolve) => {
      const timer = setTimeout(() => resolve(false), PATIENCE_MS)
      const say = (is: boolean) => () => {
        clearTimeout(timer)
        resolve(is)
      }
      media.addEventListener('loadedmetadata', say(true))
      media.addEventListener('error', say(false))
      media.preload = 'metadata'
      media.src = address
    })
    if (!there) return null
    return { file: await putInOrder(file), kind, durationMs: Number.isFinite(media.duration) ? Math.round(media.duration * 1_000) : null }
  } finally {
    media.removeAttribute('src')
    media.load()
    URL.revokeObjectURL(address)
  }
}
