import { useEffect, useRef, useState } from 'react'

/** Milliseconds for which a step has been playing; stands still while paused, begins anew with another key.
 * @param totalMs when it is over; `onOver` is then called once */
export function useClock(key: string, totalMs: number, running: boolean, onOver: () => void): number {
  const [ms, setMs] = useState(0)
  const played = useRef(0)
  const over = useRef(onOver)
  over.current = onOver
  useEffect(() => {
    played.current = 0
    setMs(0)
  }, [key])
  useEffect(() => {
    if (!running) return
    let last = performance.now()
    let ended = false
    let frame = requestAnimationFrame(function tick(now) {
      // A tab in the background gets no frames: the time it was away for does not count.
      played.current += Math.min(now - last, 250)
      last = now
      setMs(played.current)
      if (played.current >= totalMs) {
        if (!ended) over.current()
        ended = true
        return
      }
      frame = requestAnimationFrame(tick)
    })
    return () => cancelAnimationFrame(frame)
  }, [key, running, totalMs])
  return ms
}

/** Whether the person has asked their system for less motion. */
export function useLessMotion(): boolean {
  const [less, setLess] = useState(() => matchMedia('(prefers-reduced-motion: reduce)').matches)
  useEffect(() => {
    const query = matchMedia('(prefers-reduced-motion: reduce)')
    const changed = () => setLess(query.matches)
    query.addEventListener('change', changed)
    return () => query.removeEventListener('change', changed)
  }, [])
  return less
}
