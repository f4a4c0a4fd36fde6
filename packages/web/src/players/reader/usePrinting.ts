import { useCallback, useEffect, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import type { View } from './useView'

/** How long pictures may take before it is printed without those that are still missing. */
const MOST_WAIT_MS = 15_000

/** Resolves when all pictures on the page have come, or have taken too long. */
async function picturesThere(): Promise<void> {
  const until = Date.now() + MOST_WAIT_MS
  const waiting = () => [...document.images].some((image) => !image.complete)
  do await new Promise((resolve) => setTimeout(resolve, 150))
  while (waiting() && Date.now() < until)
}

/** Prints the guide as one page, with all of its pictures, whichever way it is read. Ctrl P does so too. */
export function usePrinting(view: View, show: (view: View, remembered: boolean) => void): { printing: boolean; print: () => void } {
  const [printing, setPrinting] = useState(false)
  /** The view to go back to, once it is printed; `null`: the one that is there. */
  const before = useRef<View | null>(null)
  const print = useCallback(() => {
    before.current ??= view
    setPrinting(true)
    show('page', false)
    void picturesThere().then(() => window.print())
  }, [view, show])
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'p' || !(event.ctrlKey || event.metaKey) || event.shiftKey || event.altKey) return
      event.preventDefault()
      print()
    }
    // Printed by the browser's own menu: what is there by then is printed.
    const begins = () => flushSync(() => setPrinting(true))
    const ends = () => {
      setPrinting(false)
      if (before.current) show(before.current, false)
      before.current = null
    }
    window.addEventListener('keydown', key)
    window.addEventListener('beforeprint', begins)
    window.addEventListener('afterprint', ends)
    return () => {
      window.removeEventListener('keydown', key)
      window.removeEventListener('beforeprint', begins)
      window.removeEventListener('afterprint', ends)
    }
  }, [print, show])
  return { printing, print }
}
