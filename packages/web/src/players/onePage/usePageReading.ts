import { leastReadMs, type Step } from '@jackdaw/core/guides'
import { useEffect, useRef, type RefObject } from 'react'
import type { Doing } from '../usePlayer'

const TICK_MS = 250
/** Height of what lies over the page at its top, in CSS pixels. */
const MASTHEAD_PX = 56
/** A step is where somebody looks when it begins above this share of the window. */
const EYES_AT = 0.4

/** What of a step is on the screen. */
type Seen = { element: HTMLElement; mostly: boolean }

/** The steps on the screen, kept up to date by the browser as the page scrolls. */
function watch(root: HTMLElement, onScreen: Map<string, Seen>): () => void {
  const observer = new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting, intersectionRect, boundingClientRect } of entries) {
        const element = target as HTMLElement
        const id = element.dataset['step'] ?? ''
        if (!isIntersecting) onScreen.delete(id)
        else {
          const most = Math.min(boundingClientRect.height, window.innerHeight - MASTHEAD_PX)
          onScreen.set(id, { element, mostly: intersectionRect.height > most / 2 })
        }
      }
    },
    { rootMargin: `-${MASTHEAD_PX}px 0px 0px 0px`, threshold: Array.from({ length: 21 }, (_, n) => n / 20) },
  )
  for (const element of root.querySelectorAll('[data-step]')) observer.observe(element)
  return () => observer.disconnect()
}

/** The step at which somebody looks: of those on the screen the last that begins in its upper part. */
function eyesAt(onScreen: ReadonlyMap<string, Seen>): string | null {
  const tops = [...onScreen].map(([id, { element }]) => ({ id, top: element.getBoundingClientRect().top })).sort((a, b) => a.top - b.top)
  return (tops.findLast(({ top }) => top <= window.innerHeight * EYES_AT) ?? tops[0])?.id ?? null
}

/** Follows a guide that is read as one page: where the person looks, and which steps were on the screen for long enough to be read: most of them, for
 * the least time that their words take.
 * @param shown changes when other steps are on the page */
export function usePageReading(
  root: RefObject<HTMLElement | null>,
  steps: readonly Step[],
  shown: string,
  act: (doing: Doing) => void,
): void {
  const least = useRef(new Map<string, number>())
  const spent = useRef(new Map<string, number>())
  least.current = new Map(steps.map((step) => [step.id, leastReadMs(step)]))
  useEffect(() => {
    const { current } = root
    if (!current) return
    const onScreen = new Map<string, Seen>()
    const stop = watch(current, onScreen)
    let looked = ''
    let asked = 0
    const look = () => {
      asked = 0
      const id = eyesAt(onScreen)
      if (id === null || id === looked) return
      looked = id
      act({ type: 'look', id })
    }
    const onScroll = () => {
      if (asked === 0) asked = requestAnimationFrame(look)
    }
    const beat = setInterval(() => {
      if (document.visibilityState !== 'visible') return
      onScroll()
      for (const [id, { mostly }] of onScreen) {
        if (!mostly) continue
        const so = (spent.current.get(id) ?? 0) + TICK_MS
        spent.current.set(id, so)
        const needed = least.current.get(id) ?? Infinity
        if (so >= needed && so - TICK_MS < needed) act({ type: 'read', id })
      }
    }, TICK_MS)
    window.addEventListener('scroll', onScroll, { passive: true })
    return () => {
      stop()
      clearInterval(beat)
      cancelAnimationFrame(asked)
      window.removeEventListener('scroll', onScroll)
    }
  }, [root, shown, act])
}
