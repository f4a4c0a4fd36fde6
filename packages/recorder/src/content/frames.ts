import type { Rect } from '@jackdaw/core/guides'

type Told = { jackdaw: string; x: number; y: number; path: string[] }

/** Where this frame stands in the tab's window, as the frame around it tells: it alone knows. */
export type FrameOffset = {
  /** Whether the place is known yet. */
  known(): boolean
  toWindow(rect: Rect): Rect
  /** Names of the frames from the outermost inwards; empty in the page itself. */
  path(): string[]
  /** Tells the frames inside of this one where they stand. */
  tellInner(): void
  stop(): void
}

/** @param secret only our own scripts know it, so that no page can tell a frame a wrong place
 * @param moved  the place has come to be known, or is another one now */
export function frameOffset(secret: string, moved: () => void): FrameOffset {
  let told: Told | null = window === top ? { jackdaw: '', x: 0, y: 0, path: [] } : null
  const listen = (event: MessageEvent) => {
    const data = event.data as Told | null
    if (typeof data !== 'object' || data === null || data.jackdaw !== secret || event.source !== parent) return
    event.stopImmediatePropagation()
    const isNew = told?.x !== data.x || told.y !== data.y
    told = data
    if (isNew) moved()
    tellInner()
  }
  addEventListener('message', listen, { capture: true })

  const tellInner = () => {
    if (!told) return
    for (const frame of document.querySelectorAll<HTMLIFrameElement | HTMLFrameElement>('iframe, frame')) {
      const rect = frame.getBoundingClientRect()
      const name = (frame.title || frame.name || frame.id || 'frame').slice(0, 300)
      const message: Told = {
        jackdaw: secret,
        x: told.x + rect.x + frame.clientLeft,
        y: told.y + rect.y + frame.clientTop,
        path: [...told.path, name].slice(0, 10),
      }
      frame.contentWindow?.postMessage(message, '*')
    }
  }
  return {
    known: () => told !== null,
    toWindow: (rect) => ({ ...rect, x: rect.x + (told?.x ?? 0), y: rect.y + (told?.y ?? 0) }),
    path: () => told?.path ?? ['frame'],
    tellInner,
    stop: () => removeEventListener('message', listen, { capture: true }),
  }
}
