import type { Rect } from '@jackdaw/core/guides'
import { Clips, drawnScale, intersection, isEmpty, isTurned, ownWindow } from './clips'

/** Where a frame stands, in pixels of the tab's window. */
type Place = {
  /** All that the frame shows, also where it cannot be seen. */
  content: Rect
  /** What of it can be seen. */
  clip: Rect
  /** It is turned: an area in it may be anywhere in it. */
  turned: boolean
  path: string[]
}
type Told = Place & { jackdaw: string }

/** Where this frame stands in the tab's window, as the frame around it tells: it alone knows. */
export type FrameOffset = {
  /** Whether the place is known yet. */
  known(): boolean
  /** Where this frame can be seen; `null` while nobody has told. */
  place(): Rect | null
  toWindow(rect: Rect): Rect
  /** What of an area can be seen in the window. */
  seenInWindow(rect: Rect): Rect
  /** Names of the frames from the outermost inwards; empty in the page itself. */
  path(): string[]
  /** Tells the frames inside of this one where they stand.
   * @param roots where there may be frames beside the document
   * @returns what can be seen of each, in pixels of the window */
  tellInner(roots?: readonly ParentNode[]): Rect[]
  stop(): void
}

/** The page itself: where it stands in what is seen of it when somebody has drawn two fingers apart. */
function ofTop(): Place {
  const { scale = 1, offsetLeft = 0, offsetTop = 0 } = visualViewport ?? {}
  const content = { x: -offsetLeft * scale, y: -offsetTop * scale, width: innerWidth * scale, height: innerHeight * scale }
  return { content, clip: ownWindow(), turned: false, path: [] }
}

const FRAMES = 'iframe, frame, object, embed'
type Framing = HTMLIFrameElement | HTMLFrameElement | HTMLObjectElement | HTMLEmbedElement
const windowOf = (frame: Framing): Window | null => ('contentWindow' in frame ? frame.contentWindow : null)

/** Where the content of a frame begins and ends, in pixels of the page around it: without border and padding. */
function contentOf(frame: Framing): Rect {
  const rect = frame.getBoundingClientRect()
  const scale = drawnScale(frame, rect)
  const style = getComputedStyle(frame)
  const [left, right, top, bottom] = [style.paddingLeft, style.paddingRight, style.paddingTop, style.paddingBottom].map(
    (length) => Number.parseFloat(length) || 0,
  ) as [number, number, number, number]
  return {
    x: rect.x + (frame.clientLeft + left) * scale.x,
    y: rect.y + (frame.clientTop + top) * scale.y,
    width: Math.max(0, (frame.clientWidth - left - right) * scale.x),
    height: Math.max(0, (frame.clientHeight - top - bottom) * scale.y),
  }
}
/** A place in pixels of a frame, in those of the window. */
function inWindow(rect: Rect, { content, clip, turned }: Place): Rect {
  if (turned) return clip
  const scaleX = innerWidth > 0 ? content.width / innerWidth : 1
  const scaleY = innerHeight > 0 ? content.height / innerHeight : 1
  return { x: content.x + rect.x * scaleX, y: content.y + rect.y * scaleY, width: rect.width * scaleX, height: rect.height * scaleY }
}
const same = (a: Rect, b: Rect): boolean => a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height

/** @param secret only our own scripts know it, so that no page can tell a frame a wrong place
 * @param moved  the place has come to be known, or is another one now */
export function frameOffset(secret: string, moved: () => void): FrameOffset {
  const isTop = window === top
  let told: Place | null = null
  const place = (): Place | null => (isTop ? ofTop() : told)
  const listen = (event: MessageEvent) => {
    const data: Told | null = event.data
    if (typeof data !== 'object' || data === null || data.jackdaw !== secret || event.source !== parent) return
    event.stopImmediatePropagation()
    const isNew = !told || !same(told.content, data.content) || !same(told.clip, data.clip) || told.turned !== data.turned
    told = data
    if (isNew) moved()
    tellInner()
  }
  addEventListener('message', listen, { capture: true })
  if (isTop) for (const name of ['scroll', 'resize'] as const) visualViewport?.addEventListener(name, moved)

  const toWindow = (rect: Rect): Rect => {
    const here = place()
    return here ? inWindow(rect, here) : rect
  }
  const seenInWindow = (rect: Rect): Rect => intersection(toWindow(rect), place()?.clip ?? ownWindow())
  let roots: readonly ParentNode[] = []
  const tellInner = (more: readonly ParentNode[] = roots): Rect[] => {
    roots = more
    const here = place()
    if (!here) return []
    const clips = new Clips()
    const seen: Rect[] = []
    for (const root of [document, ...roots])
      for (const frame of root.querySelectorAll<Framing>(FRAMES)) {
        const content = contentOf(frame)
        const clip = seenInWindow(intersection(content, clips.around(frame)))
        if (!isEmpty(clip)) seen.push(clip)
        const name = (frame.title || ('name' in frame && frame.name) || frame.id || 'frame').slice(0, 300)
        const turned = here.turned || isTurned(frame)
        const message: Told = { jackdaw: secret, content: toWindow(content), clip, turned, path: [...here.path, name].slice(0, 10) }
        windowOf(frame)?.postMessage(message, '*')
      }
    return seen
  }
  return {
    known: () => place() !== null,
    place: () => place()?.clip ?? null,
    toWindow,
    seenInWindow,
    path: () => place()?.path ?? ['frame'],
    tellInner,
    stop: () => {
      removeEventListener('message', listen, { capture: true })
      for (const name of ['scroll', 'resize'] as const) visualViewport?.removeEventListener(name, moved)
    },
  }
}
