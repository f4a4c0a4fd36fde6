/** Puts a text on the clipboard; also on pages that came without TLS, where browsers keep the newer way closed.
 * @returns whether it is there */
export async function copyText(text: string): Promise<boolean> {
  if (window.isSecureContext) {
    try {
      await navigator.clipboard.writeText(text)
      return true
    } catch {
      // Not allowed on this page, as in some frames: the older way may be.
    }
  }
  const field = document.createElement('textarea')
  field.value = text
  field.setAttribute('readonly', '')
  field.style.cssText = 'position:fixed;top:0;left:0;opacity:0'
  const before = document.activeElement
  // Within an open dialog nothing outside of it can be selected.
  const place = document.querySelector('[role=dialog]') ?? document.body
  place.append(field)
  field.select()
  const done = document.execCommand('copy')
  field.remove()
  if (before instanceof HTMLElement) before.focus({ preventScroll: true })
  return done
}
