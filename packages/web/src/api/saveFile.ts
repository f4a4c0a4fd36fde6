/** How long a file may take to be saved before it is forgotten. */
const KEPT_MS = 60_000

/** Gives the person a file. */
export function saveFile(content: Blob, name: string): void {
  const address = URL.createObjectURL(content)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), KEPT_MS)
}
