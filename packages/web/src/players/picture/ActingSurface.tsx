import type { Rect } from '@jackdaw/core/guides'
import type { Act } from '@jackdaw/core/players'
import type { PictureId } from '@jackdaw/core/shared'
import { useEffect, useRef, type ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { belongToBrowser, keysOf } from './keysOf'

const DRAG_PX = 14
const LONG_PRESS_MS = 600
const DOUBLE_MS = 400
/** What comes this soon after a step was done belongs to that step, not to the next one. */
const SETTLE_MS = 350

type Down = { x: number; y: number; at: number; touch: boolean; dragging: boolean }

/** Lies over a picture and takes what is done on it: clicks, double clicks, the other button (or a long press), dragging, and keys, wherever
 * the focus is but on something that needs them itself. Places are told in pixels of the stored picture. */
export function ActingSurface({
  stepKey,
  pictureId,
  shown,
  onAct,
  onPlace,
  takesKeys,
  describedBy,
  children,
}: {
  /** Another one for every step. */
  stepKey: string
  pictureId: PictureId
  shown: Rect
  onAct: (act: Act) => void
  /** Where it was pointed at, in shares of what is shown. */
  onPlace?: (at: { x: number; y: number }) => void
  takesKeys: boolean
  describedBy?: string
  children?: ReactNode
}) {
  const { t } = useTexts()
  const box = useRef<HTMLDivElement>(null)
  const down = useRef<Down | null>(null)
  const lastClick = useRef({ at: 0, x: 0, y: 0 })
  const arrived = useRef(0)
  useEffect(() => {
    arrived.current = performance.now()
    lastClick.current = { at: 0, x: 0, y: 0 }
  }, [stepKey])
  const tellKeys = useRef(onAct)
  tellKeys.current = onAct
  useEffect(() => {
    if (!takesKeys) return
    const pressed = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (event.defaultPrevented || event.repeat || performance.now() - arrived.current < SETTLE_MS) return
      const own = target === box.current
      if (!own && target.closest('input, select, textarea, [role=dialog]')) return
      const keys = keysOf(event)
      if (!keys || (!own && (belongToBrowser(keys) || (keys === 'Enter' && target.closest('button, a, summary'))))) return
      event.preventDefault()
      tellKeys.current({ do: 'keys', keys })
    }
    window.addEventListener('keydown', pressed)
    return () => window.removeEventListener('keydown', pressed)
  }, [takesKeys])

  const toPicture = (x: number, y: number) => {
    const area = box.current!.getBoundingClientRect()
    return { x: shown.x + ((x - area.left) / area.width) * shown.width, y: shown.y + ((y - area.top) / area.height) * shown.height }
  }
  const pointed = (touch: boolean) => ({
    pictureId,
    by: touch ? ('touch' as const) : ('mouse' as const),
    scale: Math.min(20, Math.max(0.05, box.current!.getBoundingClientRect().width / shown.width)),
  })
  const place = (x: number, y: number) => {
    const area = box.current!.getBoundingClientRect()
    onPlace?.({ x: (x - area.left) / area.width, y: (y - area.top) / area.height })
  }
  const click = (x: number, y: number, touch: boolean, how: 'once' | 'right') => {
    const now = performance.now()
    if (now - arrived.current < SETTLE_MS) return
    const { at, x: lastX, y: lastY } = lastClick.current
    const twice = how === 'once' && now - at < DOUBLE_MS && Math.hypot(x - lastX, y - lastY) < DRAG_PX
    lastClick.current = { at: twice ? 0 : now, x, y }
    place(x, y)
    onAct({ do: 'click', ...pointed(touch), at: toPicture(x, y), how: twice ? 'double' : how })
  }
  const up = (event: React.PointerEvent) => {
    const start = down.current
    down.current = null
    if (!start) return
    const touch = event.pointerType !== 'mouse'
    if (start.dragging)
      onAct({ do: 'drag', ...pointed(touch), from: toPicture(start.x, start.y), to: toPicture(event.clientX, event.clientY) })
    else click(event.clientX, event.clientY, touch, touch && event.timeStamp - start.at > LONG_PRESS_MS ? 'right' : 'once')
  }
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
