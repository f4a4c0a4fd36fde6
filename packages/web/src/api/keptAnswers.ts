const KEY = 'jackdaw-kept-answers'
/** Raised whenever what is kept gets another form: what an older page kept is not shown by a newer one. */
const FORM = 3
/** As long as a session lives. */
const KEPT_FOR_MS = 7 * 86_400_000

type Kept = Record<string, { answer: unknown; at: number; form?: number }>

function allKept(): Kept {
  try {
    return (JSON.parse(localStorage.getItem(KEY) ?? '{}') as Kept | null) ?? {}
  } catch {
    // Not ours, or forbidden: nothing is kept.
    return {}
  }
}

/** Keeps what an endpoint answered, to be shown at the next visit until the server answers. */
export function keepAnswer(address: string, answer: unknown): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...allKept(), [address]: { answer, at: Date.now(), form: FORM } }))
  } catch {
    // No room, or forbidden: the next visit waits for the server.
  }
}

/** What an endpoint answered at the last visit, of the person who is signed in here. */
export function keptAnswer<T>(address: string): T | undefined {
  const found = allKept()[address]
  return found && found.form === FORM && Date.now() - found.at < KEPT_FOR_MS ? (found.answer as T) : undefined
}

/** Keeps nothing of whoever was signed in. */
export function forgetKept(): void {
  try {
    localStorage.removeItem(KEY)
  } catch {
    // Forbidden: then nothing was kept.
  }
}
