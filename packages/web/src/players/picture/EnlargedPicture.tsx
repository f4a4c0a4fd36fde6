import { Minus, Plus, X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react'
import { IconButton } from '../../ui'
import { useTexts } from '../../ui/words/texts'

const [LEAST, MOST] = [1, 8]
const KEY_STEP = 1.25
const ARROW_PX = 80
const held = (zoom: number): number => Math.min(MOST, Math.max(LEAST, zoom))

/** A picture with all that is drawn on it, as large as the window and larger: by wheel, keys, buttons and two fingers. It is moved by dragging,
 * scrolling and the arrow keys.
 * @param children the picture; it takes the width that it is given
 * @param ratio    its width by its height */
export function EnlargedPicture({
  name,
  ratio,
  children,
  onClose,
}: {
  name: string
  ratio: number
  children: ReactNode
  onClose: () => void
}) {
  const { t } = useTexts()
  const { box, setFrame, zoom, by, handlers } = useZoom()
  return (
    <Dialog.Root open onOpenChange={(now) => !now && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/80 z-40" />
        <Dialog.Content
          className="fixed inset-0 z-50 flex flex-col bg-page outline-none"
          aria-describedby={undefined}
          data-enlarged={zoom.toFixed(2)}
          // What is done here with the hand is not for the page below.
          onPointerDown={(event) => event.stopPropagation()}
          onPointerUp={(event) => event.stopPropagation()}
          onKeyDown={(event) => {
            if (event.key === '+' || event.key === '=') by(KEY_STEP)
            else if (event.key === '-') by(1 / KEY_STEP)
            else if (event.key === '0') by(0)
            else if (event.key.startsWith('Arrow')) {
              const [dx, dy] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]!
              box.current?.scrollBy(dx! * ARROW_PX, dy! * ARROW_PX)
            } else return
            event.preventDefault()
            event.stopPropagation()
          }}
        >
          <div className="flex items-center gap-1 px-3 bg-sheet border-b border-hair min-h-14 shrink-0">
            <Dialog.Title className="grow min-w-0 truncate text-sm font-normal text-soft">{name || t('Picture')}</Dialog.Title>
            <IconButton name={t('Smaller (−)')} className="size-11" disabled={zoom <= LEAST} onClick={() => by(1 / KEY_STEP)}>
              <Minus size={20} aria-hidden />
            </IconButton>
            <span className="w-14 text-center tabular-nums text-sm" role="status">
              {Math.round(zoom * 100)} %
            </span>
            <IconButton name={t('Larger (+)')} className="size-11" disabled={zoom >= MOST} onClick={() => by(KEY_STEP)}>
              <Plus size={20} aria-hidden />
            </IconButton>
            <Dialog.Close className="size-11 inline-flex items-center justify-center hover:bg-wash rounded-md" aria-label={t('Close')}>
              <X size={22} aria-hidden />
            </Dialog.Close>
          </div>
          <div
            ref={setFrame}
            className={`grow min-h-0 overflow-auto [touch-action:pan-x_pan-y] flex ${zoom > 1 ? 'cursor-grab' : ''}`}
            {...handlers}
          >
            <div className="m-auto shrink-0 p-2" style={{ width: `calc(${zoom} * min(100vw, (100dvh - 76px) * ${ratio}))` }}>
              {children}
            </div>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

/** How far a picture is enlarged, and what keeps the point under the pointer or between the fingers where it is. */
function useZoom() {
  const box = useRef<HTMLDivElement | null>(null)
  const [frame, setFrame] = useState<HTMLDivElement | null>(null)
  box.current = frame
  const [zoom, setZoom] = useState(1)
  const now = useRef(zoom)
  const kept = useRef<{ x: number; y: number; shareX: number; shareY: number } | null>(null)
  const to = (next: number, at?: { x: number; y: number }): void => {
    const { current } = box
    const wish = held(next)
    if (!current || wish === now.current) return
    const { left, top, width, height } = current.getBoundingClientRect()
    const point = { x: (at?.x ?? left + width / 2) - left, y: (at?.y ?? top + height / 2) - top }
    kept.current = {
      ...point,
      shareX: (current.scrollLeft + point.x) / current.scrollWidth,
      shareY: (current.scrollTop + point.y) / current.scrollHeight,
    }
    now.current = wish
    setZoom(wish)
  }
  useLayoutEffect(() => {
    const { current } = box
    if (!current || !kept.current) return
    const { x, y, shareX, shareY } = kept.current
    kept.current = null
    current.scrollTo(shareX * current.scrollWidth - x, shareY * current.scrollHeight - y)
  }, [zoom])
  useEffect(() => {
    // React listens to wheels passively: the page would zoom or scroll as well.
    const wheel = (event: WheelEvent) => {
      event.preventDefault()
      to(now.current * Math.exp(-event.deltaY * (event.ctrlKey ? 0.01 : 0.0015)), { x: event.clientX, y: event.clientY })
    }
    frame?.addEventListener('wheel', wheel, { passive: false })
    return () => frame?.removeEventListener('wheel', wheel)
  }, [frame])
  const fingers = useRef(new Map<number, { x: number; y: number }>())
  const spread = useRef<{ px: number; zoom: number } | null>(null)
  const end = (event: React.PointerEvent) => {
    fingers.current.delete(event.pointerId)
    spread.current = null
  }
  const handlers = {
    onPointerDown: (event: React.PointerEvent) => {
      fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY })
      const [a, b] = [...fingers.current.values()]
      if (a && b) spread.current = { px: Math.hypot(a.x - b.x, a.y - b.y), zoom: now.current }
      if (event.pointerType === 'mouse') event.currentTarget.setPointerCapture(event.pointerId)
    },
    onPointerMove: (event: React.PointerEvent) => {
      const before = fingers.current.get(event.pointerId)
      if (!before) return
      fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY })
      const [a, b] = [...fingers.current.values()]
      if (a && b && spread.current && spread.current.px > 0)
        to((spread.current.zoom * Math.hypot(a.x - b.x, a.y - b.y)) / spread.current.px, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })
      else if (event.pointerType === 'mouse') box.current?.scrollBy(before.x - event.clientX, before.y - event.clientY)
    },
    onPointerUp: end,
    onPointerCancel: end,
  }
  /** By a factor; 0: as large as the window again. */
  const by = (factor: number) => to(factor === 0 ? 1 : now.current * factor)
  return { box, setFrame, zoom, by, handlers }
}
