import { useEffect } from 'react'

/** Has the browser ask before a page is left on which something is not saved. */
export function useWarnUnsaved(unsaved: boolean): void {
  useEffect(() => {
    if (!unsaved) return
    const warn = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', warn)
    return () => window.removeEventListener('beforeunload', warn)
  }, [unsaved])
}
