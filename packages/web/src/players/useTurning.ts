import { useEffect, useRef } from 'react'

const SWIPE_PX = 60

/** Turns pages by arrow keys, Page Up and Down, and swipes on a touch screen. */
export function useTurning(turn: (by: 1 | -1) => void): {
  onPointerDown: (event: React.PointerEvent) => void
  onPointerUp: (event: React.PointerEvent) => void
} {
  const turned = useRef(turn)
  turned.current = turn
  const from = useRef<{ x: number; y: number; scrolls: boolean } | null>(null)
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        event.shiftKey ||
        /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
        target.closest('pre, .table-frame')
      )
        return
      if (event.key === 'ArrowRight' || event.key === 'PageDown') turned.current(1)
      else if (event.key === 'ArrowLeft' || event.key === 'PageUp') turned.current(-1)
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', key)
    return () => window.removeEventListener('keydown', key)
  }, [])
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
