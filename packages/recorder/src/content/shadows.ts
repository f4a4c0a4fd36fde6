/** Open and closed shadow roots alike. */
export function shadowOf(element: Element): ShadowRoot | null {
  if (element.shadowRoot) return element.shadowRoot
  if (!(element instanceof HTMLElement)) return null
  return chrome.dom?.openOrClosedShadowRoot(element) ?? null
}

/** The element above, also out of a shadow root into the page that holds it. */
export const above = (element: Element): Element | null =>
  element.assignedSlot ??
  element.parentElement ??
  (element.getRootNode() instanceof ShadowRoot ? (element.getRootNode() as ShadowRoot).host : null)

/** The nearest element, from this one upwards, for which something holds. */
export function upTo(element: Element | null, holds: (each: Element) => boolean, most = 200): Element | null {
  for (let each = element; each && most-- > 0; each = above(each)) if (holds(each)) return each
  return null
}

/** What lies under a point, down into every shadow root. */
export function elementAt(x: number, y: number): Element | null {
  let found = document.elementFromPoint(x, y)
  for (let root = found && shadowOf(found); root;) {
    const inner: Element | null = root.elementFromPoint(x, y)
    if (!inner || inner === found) break
    found = inner
    root = shadowOf(inner)
  }
  return found
}
