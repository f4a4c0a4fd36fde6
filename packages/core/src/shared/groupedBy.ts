/** The things of a list by what is said of each, in the order in which they stand in it. */
export function groupedBy<T, K>(list: Iterable<T>, keyOf: (each: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const each of list) {
    const key = keyOf(each)
    const group = groups.get(key)
    if (group) group.push(each)
    else groups.set(key, [each])
  }
  return groups
}
