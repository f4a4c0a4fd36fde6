/** Puts an entry behind another one; at the front for `null`, at the end when the other one is gone. */
export function insertAfter<T extends { id: string }>(list: readonly T[], entry: T, after: string | null): T[] {
  const at = after === null ? 0 : list.findIndex((each) => each.id === after) + 1
  const index = after !== null && at === 0 ? list.length : at
  return [...list.slice(0, index), entry, ...list.slice(index)]
}
/** Id of the entry in front of one; `null` for the first. */
export const placeBefore = <T extends { id: string }>(list: readonly T[], id: string): T['id'] | null =>
  list[list.findIndex((each) => each.id === id) - 1]?.id ?? null
/** The list without one entry. */
export const without = <T extends { id: string }>(list: readonly T[], id: string): T[] => list.filter((each) => each.id !== id)
/** The list with an entry in the place of the one with its id. */
export const withEntry = <T extends { id: string }>(list: readonly T[], entry: T): T[] =>
  list.map((each) => (each.id === entry.id ? entry : each))
