/** Brings a step, a quiz or the end of the page into sight, and puts the focus there. */
export function scrollToPlace(id: string): void {
  const place = document.getElementById(`step-${id}`)
  place?.scrollIntoView({ block: 'start', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' })
  place?.querySelector<HTMLElement>('[data-step-head]')?.focus({ preventScroll: true })
}
