/** How the newest page of each tab came to be opened, by the browser's own word. */
type Opening = { at: number; typed: boolean }
const openings = new Map<number, Opening>()
const BY_ADDRESS = new Set(['typed', 'generated', 'keyword', 'keyword_generated', 'auto_bookmark'])
let listening = false

/** Listens as long as there is leave to; called whenever that may have changed. */
export function watchNavigations(): void {
  if (listening || !chrome.webNavigation) return
  listening = true
  chrome.webNavigation.onCommitted.addListener(({ tabId, frameId, transitionType, transitionQualifiers, timeStamp }) => {
    if (frameId !== 0) return
    const typed = BY_ADDRESS.has(transitionType) || transitionQualifiers.includes('from_address_bar')
    openings.set(tabId, { at: timeStamp, typed })
  })
}
/** Leave was given back: the browser has forgotten the listener. */
export function forgetNavigations(): void {
  listening = false
  openings.clear()
}

const SAME_PAGE_MS = 5_000
/** Whether somebody asked for the page by its address; `undefined` when the browser has not said how it was opened. */
export function wasTyped(tabId: number, at: number): boolean | undefined {
  const opening = openings.get(tabId)
  return opening && Math.abs(opening.at - at) < SAME_PAGE_MS ? opening.typed : undefined
}
