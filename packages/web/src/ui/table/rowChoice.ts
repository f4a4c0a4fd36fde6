/** Those of the rows wanted that are in the list. @param keys of the rows that can be chosen, in order */
export const chosenAmong = (keys: readonly string[], wanted: ReadonlySet<string>): ReadonlySet<string> =>
  new Set(keys.filter((key) => wanted.has(key)))

/** What is chosen once a row has been ticked. @param last the row ticked before: with `range`, all from there to this one are chosen too */
export function afterTick(
  keys: readonly string[],
  chosen: ReadonlySet<string>,
  { key, last, range }: { key: string; last: string | null; range: boolean },
): ReadonlySet<string> {
  const [from, to] = [last === null ? -1 : keys.indexOf(last), keys.indexOf(key)]
  const next = new Set(chosen)
  if (to < 0) return next
  if (range && from >= 0) for (const each of keys.slice(Math.min(from, to), Math.max(from, to) + 1)) next.add(each)
  else if (!next.delete(key)) next.add(key)
  return next
}
