import { sha256 } from '@noble/hashes/sha2.js'
import { utf8ToBytes } from '@noble/hashes/utils.js'

/** Bits of a mark. So few that a mark fits very many names: who holds the marks can ask whether some words may be a name, but cannot tell
 * from them who works here. With 64 people about one pair of words in 8,000 is hidden for nothing. */
const MARK_BITS = 20

/** How a name is compared: without case, accents and order. */
const plain = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f.’'-]/g, '')
    .toLowerCase()
    .split(/[\s,]+/)
    .filter((word) => word !== '')
    .sort()
    .join(' ')

/** The mark of some words under a salt that is made anew for each recording. */
export function markOf(words: string, salt: string): number {
  const hash = sha256(utf8ToBytes(`${salt}\n${plain(words)}`))
  return ((hash[0]! << 16) | (hash[1]! << 8) | hash[2]!) >>> (24 - MARK_BITS)
}

/** Marks of people's names as they are written: in full, first with last, and with the first letter of the first name. */
export function marksOf(names: readonly string[], salt: string): number[] {
  const marks = new Set<number>()
  for (const name of names) {
    const words = name.split(/\s+/).filter((word) => word !== '')
    if (words.length < 2) continue
    const [first, last] = [words[0]!, words.at(-1)!]
    for (const form of [name, `${first} ${last}`, `${first[0]} ${last}`]) marks.add(markOf(form, salt))
  }
  return [...marks].sort((a, b) => a - b)
}

/** Asks whether words may be a name, remembering the answers. */
export function nameAsker(marks: readonly number[], salt: string): (words: string) => boolean {
  const known = new Set(marks)
  const answers = new Map<string, boolean>()
  return (words) => {
    if (known.size === 0 || !/\p{Lu}/u.test(words)) return false
    const before = answers.get(words)
    if (before !== undefined) return before
    const answer = known.has(markOf(words, salt))
    if (answers.size > 20_000) answers.clear()
    answers.set(words, answer)
    return answer
  }
}
