/** Names under which things can be told apart: where several are called alike, what is known of each is put behind it.
 * @param things what each is called, and what else is known of it, the plainest first
 * @returns the names in the same order, no two of them the same */
export function distinctNames(things: readonly { name: string; known: readonly string[] }[]): string[] {
  const taken = new Set<string>()
  const times = new Map<string, number>()
  for (const { name } of things) times.set(name, (times.get(name) ?? 0) + 1)
  return things.map(({ name, known }, index) => {
    const ways = [...((times.get(name) ?? 0) > 1 ? [] : [name]), ...known.filter((each) => each !== '').map((each) => `${name} (${each})`)]
    const free = ways.find((way) => !taken.has(way)) ?? `${name} (${index + 1})`
    taken.add(free)
    return free
  })
}
