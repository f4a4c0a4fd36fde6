const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

/** Whether every text in a value can be stored: no NUL, no half of a surrogate pair. */
export function isWellFormed(value: unknown): boolean {
  const open: unknown[] = [value]
  while (open.length > 0) {
    const at = open.pop()
    if (typeof at === 'string') {
      if (at.includes('\0') || LONE_SURROGATE.test(at)) return false
    } else if (at !== null && typeof at === 'object') for (const each of Object.values(at)) open.push(each)
  }
  return true
}
