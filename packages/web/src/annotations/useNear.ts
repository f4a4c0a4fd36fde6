import { useEffect, useState, type RefObject } from 'react'

/** How far from the screen a picture is made ready, in CSS pixels. */
const NEAR_PX = 900

// One observer for all: a long guide has hundreds of pictures, and the browser goes through all observers at every frame.
const waiting = new Map<Element, () => void>()
let observer: IntersectionObserver | undefined
function whenNear(element: Element, then: () => void): () => void {
  observer ??= new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries) if (isIntersecting) waiting.get(target)?.()
    },
    { rootMargin: `${NEAR_PX}px` },
  )
  waiting.set(element, then)
  observer.observe(element)
  return () => {
    waiting.delete(element)
    observer?.unobserve(element)
  }
}

/** Whether an element is, or once was, near the screen. */
export function useNear(box: RefObject<HTMLElement | null>): boolean {
  const [near, setNear] = useState(false)
  useEffect(() => {
    const { current } = box
    return near || !current ? undefined : whenNear(current, () => setNear(true))
  }, [box, near])
  return near
}
