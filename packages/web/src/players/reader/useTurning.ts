import { useRef } from 'react'
import { useKeys } from '../../ui/keys/useKeys'

const SWIPE_PX = 60

/** Turns pages by arrow keys, Page Up and Down, and swipes on a touch screen. */
export function useTurning(
  turn: (by: 1 | -1) => void,
  off: boolean,
): {
  onPointerDown: (event: React.PointerEvent) => void
  onPointerUp: (event: React.PointerEvent) => void
} {
  const from = useRef<{ x: number; y: number; scrolls: boolean } | null>(null)
  // What scrolls sideways has these keys for itself.
  useKeys(off ? {} : { next: () => turn(1), back: () => turn(-1) }, { notIn: 'pre, .table-frame' })
  return {
    onPointerDown: (event) => {
      const scroller = (event.target as HTMLElement).closest<HTMLElement>('pre, .table-frame')
      from.current =
        event.pointerType === 'mouse'
          ? null
          : { x: event.clientX, y: event.clientY, scrolls: scroller !== null && scroller.scrollWidth > scroller.clientWidth }
    },
    onPointerUp: (event) => {
      const start = from.current
      from.current = null
      if (!start || start.scrolls) return
      const [dx, dy] = [event.clientX - start.x, event.clientY - start.y]
      if (Math.abs(dx) > SWIPE_PX && Math.abs(dx) > 2 * Math.abs(dy)) turn(dx < 0 ? 1 : -1)
    },
  }
}
