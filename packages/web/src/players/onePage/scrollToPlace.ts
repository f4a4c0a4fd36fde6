/** Puts all of the page there at once, where some of it is still to come. */
let showAll: (() => void) | null = null
/** Says how all of the page is shown at once. @returns takes it back */
export function showsAllBy(show: () => void): () => void {
  showAll = show
  return () => {
    if (showAll === show) showAll = null
  }
}

/** Brings a step, a quiz or the end of the page into sight, and puts the focus there. */
export function scrollToPlace(id: string): void {
  const find = () => document.getElementById(`step-${id}`)
  if (!find()) showAll?.()
  const place = find()
  place?.scrollIntoView({ block: 'start', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' })
  place?.querySelector<HTMLElement>('[data-step-head]')?.focus({ preventScroll: true })
}
