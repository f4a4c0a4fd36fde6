import { useEffect, useState, type RefObject } from 'react'

/** How far from the screen a picture is made ready, in CSS pixels. */
const NEAR_PX = 900
/** Whether an element is, or once was, near the screen; always, when nobody asks for that. */
export function useNear(box: RefObject<HTMLElement | null>, asked = true): boolean {
  const [near, setNear] = useState(!asked)
  useEffect(() => {
    const { current } = box
    if (near || !current) return
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && setNear(true), { rootMargin: `${NEAR_PX}px` })
    observer.observe(current)
    return () => observer.disconnect()
  }, [box, near])
  return near
}
