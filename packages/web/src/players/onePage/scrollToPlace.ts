import { END } from '@jackdaw/core/flow'

/** Puts all of the page there, where some of it is still to come, and resolves once it is. */
type ShowAll = () => Promise<void>
let showAll: ShowAll | null = null
/** Says how all of the page is shown. @returns takes it back */
export function showsAllBy(show: ShowAll): () => void {
  showAll = show
  return () => {
    if (showAll === show) showAll = null
  }
}

const find = (id: string): HTMLElement | null => document.getElementById(`step-${id}`)
function show(place: HTMLElement | null): void {
  place?.scrollIntoView({ block: 'start', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' })
  place?.querySelector<HTMLElement>('[data-step-head]')?.focus({ preventScroll: true })
}

/** Brings a step, a quiz or the end of the page into sight, and puts the focus there. */
export function scrollToPlace(id: string): void {
  // The end moves down as long as something is still to come before it.
  if (showAll && (id === END || !find(id))) void showAll().then(() => show(find(id)))
  else show(find(id))
}
