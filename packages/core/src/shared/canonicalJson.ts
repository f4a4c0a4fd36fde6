/** JSON with the keys of every object in code-unit order, so that equal values give equal bytes.
 * Source: the idea of RFC 8785, without its number rules (documents hold integers and text only).
 * @param value plain data; `undefined` properties are left out */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((each) => canonicalJson(each ?? null)).join(',')}]`
  if (value !== null && typeof value === 'object') {
    const entries = Object.entries(value).filter(([, each]) => each !== undefined)
    entries.sort(([a], [b]) => (a < b ? -1 : 1))
    return `{${entries.map(([key, each]) => `${JSON.stringify(key)}:${canonicalJson(each)}`).join(',')}}`
  }
  return JSON.stringify(value)
}
