/** JSON that was checked when it was stored and goes out as it stands: neither read nor written anew, however large it is. */
export class StoredJson {
  constructor(readonly text: string) {}
}

/** What a contract's check of a stored document sees in its place. */
const STAND_IN = { version: 0, items: [] }

/** Takes the stored parts out of an answer, so that the rest can be checked.
 * @returns the answer with stand-ins, and how the checked answer is written */
export function withoutStored(answer: unknown): { plain: unknown; write: (checked: unknown) => string } {
  const stored = Object.entries(answer ?? {}).filter((entry): entry is [string, StoredJson] => entry[1] instanceof StoredJson)
  if (stored.length === 0) return { plain: answer, write: (checked) => JSON.stringify(checked) }
  const plain = { ...(answer as object), ...Object.fromEntries(stored.map(([key]) => [key, STAND_IN])) }
  return {
    plain,
    write: (checked) => {
      const rest = JSON.stringify({ ...(checked as object), ...Object.fromEntries(stored.map(([key]) => [key, undefined])) })
      const parts = stored.map(([key, { text }]) => `${JSON.stringify(key)}:${text}`)
      return rest === '{}' ? `{${parts.join(',')}}` : `${rest.slice(0, -1)},${parts.join(',')}}`
    },
  }
}
