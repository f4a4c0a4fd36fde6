const entriesInOrder = (value: object): [string, unknown][] =>
  Object.entries(value)
    .filter(([, each]) => each !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
const named = (key: string, json: string): string => `${JSON.stringify(key)}:${json}`

/** JSON with the keys of every object in code-unit order, so that equal values give equal bytes.
 * Source: the idea of RFC 8785, without its number rules (documents hold integers and text only).
 * @param value plain data; `undefined` properties are left out */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((each) => canonicalJson(each ?? null)).join(',')}]`
  if (value !== null && typeof value === 'object')
    return `{${entriesInOrder(value)
      .map(([key, each]) => named(key, canonicalJson(each)))
      .join(',')}}`
  return JSON.stringify(value)
}

/** So many members are written between two pauses. */
const AT_A_TIME = 25
/** The same as {@link canonicalJson}, for what is large: others have their turn in between.
 * @param levels how deep its large lists and objects lie; what lies deeper is written at once
 * @param pause lets others have their turn */
export async function canonicalJsonInTurns(value: unknown, levels: number, pause: () => Promise<void>): Promise<string> {
  if (levels === 0 || value === null || typeof value !== 'object') return canonicalJson(value)
  const isList = Array.isArray(value)
  const members: [string, unknown][] = isList ? value.map((each: unknown) => ['', each ?? null]) : entriesInOrder(value)
  const pieces: string[] = []
  for (const [n, [key, each]] of members.entries()) {
    const json = await canonicalJsonInTurns(each, levels - 1, pause)
    pieces.push(isList ? json : named(key, json))
    if (n % AT_A_TIME === AT_A_TIME - 1) await pause()
  }
  return isList ? `[${pieces.join(',')}]` : `{${pieces.join(',')}}`
}
