/** Hears `/` wherever nobody is typing.
 * @returns what ends it */
export function slashToFind(go: () => void): () => void {
  const slash = (event: KeyboardEvent) => {
    const typing =
      event.target instanceof HTMLElement && (event.target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName))
    if (event.key !== '/' || typing || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    go()
  }
  window.addEventListener('keydown', slash)
  return () => window.removeEventListener('keydown', slash)
}
