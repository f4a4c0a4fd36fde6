import { leastReadMs, type Step } from '@jackdaw/core/guides'
import { nth } from '@jackdaw/core/shared'
import { startTransition, useEffect, useRef, type RefObject } from 'react'
import type { Doing } from '../usePlayer'

const TICK_MS = 250
/** Height of what lies over the page at its top, in CSS pixels. */
const MASTHEAD_PX = 56
/** A step is where somebody looks when it begins above this share of the window. */
const EYES_AT = 0.4

/** A step on the screen: where it begins, in CSS pixels from the top of the window, and whether most of it, or of the window, is seen. */
type Seen = { id: string; top: number; mostly: boolean }

/** The first of steps, one under another, that ends below the masthead. Asked by halves: a long page is asked for few places. */
function firstOnScreen(steps: readonly HTMLElement[]): number {
  let [from, to] = [0, steps.length]
  while (from < to) {
    const middle = (from + to) >> 1
    if (nth(steps, middle).getBoundingClientRect().bottom <= MASTHEAD_PX) from = middle + 1
    else to = middle
  }
  return from
}

/** The steps on the screen, from top to bottom. */
function stepsOnScreen(steps: readonly HTMLElement[]): Seen[] {
  const seen: Seen[] = []
  for (let n = firstOnScreen(steps); n < steps.length; n++) {
    const element = nth(steps, n)
    const { top, bottom, height } = element.getBoundingClientRect()
    if (top >= window.innerHeight) break
    const shown = Math.min(bottom, window.innerHeight) - Math.max(top, MASTHEAD_PX)
    seen.push({ id: element.dataset['step'] ?? '', top, mostly: shown > Math.min(height, window.innerHeight - MASTHEAD_PX) / 2 })
  }
  return seen
}

/** The step at which somebody looks: of those on the screen the last that begins in its upper part. */
const eyesAt = (seen: readonly Seen[]): string | null =>
  (seen.findLast(({ top }) => top <= window.innerHeight * EYES_AT) ?? seen[0])?.id ?? null

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
    const elements = [...current.querySelectorAll<HTMLElement>('[data-step]')]
    let looked = ''
    let asked = 0
    const look = () => {
      asked = 0
      const id = eyesAt(stepsOnScreen(elements))
      if (id === null || id === looked) return
      looked = id
      // In slices: scrolling goes on meanwhile.
      startTransition(() => act({ type: 'look', id }))
    }
    const onScroll = () => {
      if (asked === 0) asked = requestAnimationFrame(look)
    }
    const beat = setInterval(() => {
      if (document.visibilityState !== 'visible') return
      onScroll()
      for (const { id, mostly } of stepsOnScreen(elements)) {
        if (!mostly) continue
        const so = (spent.current.get(id) ?? 0) + TICK_MS
        spent.current.set(id, so)
        const needed = least.current.get(id) ?? Infinity
        if (so >= needed && so - TICK_MS < needed) startTransition(() => act({ type: 'read', id }))
      }
    }, TICK_MS)
    window.addEventListener('scroll', onScroll, { passive: true })
    return () => {
      clearInterval(beat)
      cancelAnimationFrame(asked)
      window.removeEventListener('scroll', onScroll)
    }
  }, [root, shown, act])
}
