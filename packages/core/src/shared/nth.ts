/** What stands at a place of a list that has to be there.
 * @param index from 0
 * @throws RangeError when there is no such place */
export function nth<T>(list: ArrayLike<T>, index: number): T {
  if (index < 0 || index >= list.length) throw new RangeError(`there is no place ${index} among ${list.length}`)
  return list[index] as T
}

/** What a map holds under a key that has to be there.
 * @throws RangeError when it holds nothing there */
export function known<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const value = map.get(key)
  if (value === undefined) throw new RangeError(`nothing is known of ${String(key)}`)
  return value
}
