const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

const canBeStored = (text: string): boolean => !text.includes('\0') && !LONE_SURROGATE.test(text)

/** Whether every text in a value can be stored, names of properties too: no NUL, no half of a surrogate pair. */
export function isWellFormed(value: unknown): boolean {
  const open: unknown[] = [value]
  while (open.length > 0) {
    const at = open.pop()
    if (typeof at === 'string') {
      if (!canBeStored(at)) return false
    } else if (Array.isArray(at)) for (const each of at) open.push(each)
    else if (at !== null && typeof at === 'object')
      for (const [key, each] of Object.entries(at)) {
        if (!canBeStored(key)) return false
        open.push(each)
      }
  }
  return true
}
