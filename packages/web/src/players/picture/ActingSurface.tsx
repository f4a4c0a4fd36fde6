import type { Rect } from '@jackdaw/core/guides'
import type { Act } from '@jackdaw/core/players'
import type { PictureId } from '@jackdaw/core/shared'
import { useEffect, useRef, type PointerEvent, type ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { belongToBrowser, keysOf } from './keysOf'

const DRAG_PX = 14
const LONG_PRESS_MS = 600
const DOUBLE_MS = 400
/** What comes this soon after a step was done belongs to that step, not to the next one. */
const SETTLE_MS = 350

type Down = { x: number; y: number; at: number; touch: boolean; dragging: boolean }

type Surface = {
  /** Another one for every step. */
  stepKey: string
  pictureId: PictureId
  shown: Rect
  onAct: (act: Act) => void
  /** Where it was pointed at, in shares of what is shown. */
  onPlace?: (at: { x: number; y: number }) => void
  takesKeys: boolean
}

/** Tells the keys that are pressed, wherever the focus is but on something that needs them itself. */
function useKeysOnPicture({ takesKeys, onAct }: Surface, box: { current: Element | null }, isSettling: () => boolean): void {
  const now = useRef({ onAct, isSettling })
  now.current = { onAct, isSettling }
  useEffect(() => {
    if (!takesKeys) return
    const pressed = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (event.defaultPrevented || event.repeat || now.current.isSettling()) return
      const own = target === box.current
      if (!own && target.closest('input, select, textarea, [role=dialog]')) return
      const keys = keysOf(event)
      if (!keys || (!own && (belongToBrowser(keys) || (keys === 'Enter' && target.closest('button, a, summary'))))) return
      event.preventDefault()
      now.current.onAct({ do: 'keys', keys })
    }
    window.addEventListener('keydown', pressed)
    return () => window.removeEventListener('keydown', pressed)
  }, [takesKeys, box])
}

/** Places on the surface, as shares of it and in pixels of the stored picture. */
function placesOn(box: { current: Element | null }, pictureId: PictureId, shown: Rect) {
  const area = () => box.current!.getBoundingClientRect()
  const shareOf = (x: number, y: number) => {
    const { left, top, width, height } = area()
    return { x: (x - left) / width, y: (y - top) / height }
  }
  const toPicture = (x: number, y: number) => {
    const share = shareOf(x, y)
    return { x: shown.x + share.x * shown.width, y: shown.y + share.y * shown.height }
  }
  const pointed = (touch: boolean) => ({
    pictureId,
    by: touch ? ('touch' as const) : ('mouse' as const),
    scale: Math.min(20, Math.max(0.05, area().width / shown.width)),
  })
  return { shareOf, toPicture, pointed }
}

/** What is pointed at and dragged, as acts on the picture. */
function usePointing(surface: Surface, box: { current: Element | null }) {
  const { stepKey, pictureId, shown, onAct, onPlace } = surface
  const down = useRef<Down | null>(null)
  const lastClick = useRef({ at: 0, x: 0, y: 0 })
  const arrived = useRef(0)
  useEffect(() => {
    arrived.current = performance.now()
    lastClick.current = { at: 0, x: 0, y: 0 }
  }, [stepKey])
  const isSettling = () => performance.now() - arrived.current < SETTLE_MS
  const { shareOf, toPicture, pointed } = placesOn(box, pictureId, shown)
  const click = (x: number, y: number, touch: boolean, how: 'once' | 'right') => {
    const now = performance.now()
    if (isSettling()) return
    const { at, x: lastX, y: lastY } = lastClick.current
    const twice = how === 'once' && now - at < DOUBLE_MS && Math.hypot(x - lastX, y - lastY) < DRAG_PX
    lastClick.current = { at: twice ? 0 : now, x, y }
    onPlace?.(shareOf(x, y))
    onAct({ do: 'click', ...pointed(touch), at: toPicture(x, y), how: twice ? 'double' : how })
  }
  const up = (event: PointerEvent) => {
    const start = down.current
    down.current = null
    if (!start) return
    const touch = event.pointerType !== 'mouse'
    if (start.dragging)
      onAct({ do: 'drag', ...pointed(touch), from: toPicture(start.x, start.y), to: toPicture(event.clientX, event.clientY) })
    else click(event.clientX, event.clientY, touch, touch && event.timeStamp - start.at > LONG_PRESS_MS ? 'right' : 'once')
  }
  return { down, isSettling, click, up }
}

/** Lies over a picture and takes what is done on it: clicks, double clicks, the other button (or a long press), dragging, and keys. Places
 * are told in pixels of the stored picture. */
export function ActingSurface({ describedBy, children, ...surface }: Surface & { describedBy?: string; children?: ReactNode }) {
  const { t } = useTexts()
  const box = useRef<HTMLDivElement>(null)
  const { down, isSettling, click, up } = usePointing(surface, box)
  useKeysOnPicture(surface, box, isSettling)
  return (
    <div
      ref={box}
      role="application"
      tabIndex={0}
      aria-label={t('The screen. Point at it, or choose from the list of elements.')}
      aria-describedby={describedBy}
      className="absolute inset-0 cursor-default select-none [touch-action:pinch-zoom]"
      data-surface
      onPointerDown={(event) => {
        if (event.button !== 0 || event.target !== event.currentTarget) return
        down.current = { x: event.clientX, y: event.clientY, at: event.timeStamp, touch: event.pointerType !== 'mouse', dragging: false }
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={(event) => {
        const start = down.current
        if (start && Math.hypot(event.clientX - start.x, event.clientY - start.y) > DRAG_PX) start.dragging = true
      }}
      onPointerUp={up}
      onPointerCancel={() => (down.current = null)}
      onContextMenu={(event) => {
        if (event.target !== event.currentTarget) return
        event.preventDefault()
        // A long press ends as one; the browser's own menu would tell it twice.
        if (down.current?.touch) return
        click(event.clientX, event.clientY, false, 'right')
      }}
    >
      {children}
    </div>
  )
}
