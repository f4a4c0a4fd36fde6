import { nth } from '../../shared'
import { sha256 } from '@noble/hashes/sha2.js'
import { utf8ToBytes } from '@noble/hashes/utils.js'

/** Bits of a mark. So few that a mark fits very many names: who holds the marks can ask whether some words may be a name, but cannot tell
 * from them who works here. With 64 people about one pair of words in 8,000 is hidden for nothing. */
const MARK_BITS = 20

/** Letters that no decomposition makes plain, and the two in which some are written where a keyboard lacks them. */
const PLAIN_LETTERS: readonly (readonly [RegExp, string])[] = [
  [/ł/g, 'l'],
  [/ø/g, 'o'],
  [/[đð]/g, 'd'],
  [/ß/g, 'ss'],
  [/æ/g, 'a'],
  [/œ/g, 'o'],
  [/þ/g, 'th'],
  [/ı/g, 'i'],
  [/ae/g, 'a'],
  [/oe/g, 'o'],
  [/ue/g, 'u'],
]

/** How a name is compared: without case, accents, hyphens and order. */
const comparableName = (name: string): string =>
  PLAIN_LETTERS.reduce(
    (left, [letters, by]) => left.replace(letters, by),
    name
      .normalize('NFKD')
      .replace(/[\u0300-\u036f.’'ʼ]/g, '')
      .toLowerCase(),
  )
    .split(/[\s,·・-]+/)
    .filter((word) => word !== '')
    .sort()
    .join(' ')

/** The mark of some words under a salt that is made anew for each recording. */
export function markOf(words: string, salt: string): number {
  const hash = sha256(utf8ToBytes(`${salt}\n${comparableName(words)}`))
  return ((nth(hash, 0) << 16) | (nth(hash, 1) << 8) | nth(hash, 2)) >>> (24 - MARK_BITS)
}

/** What stands in a mark for any word by which people are addressed. */
export const ADDRESSED = 'Mr'
/** Small words of a surname, which stay with it: “van den Berg”. */
const PARTICLES = new Set([
  'van',
  'von',
  'de',
  'den',
  'der',
  'del',
  'della',
  'da',
  'das',
  'do',
  'dos',
  'di',
  'la',
  'le',
  'zu',
  'ten',
  'ter',
])
const UNSPACED = /^[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}ー\s]+$/u

/** Forms in which a name is written: in full, the first with any of the others, the first letter with any of the others, the surname with
 * its small words, and without the room between the words where a script has none. */
function formsOf(name: string): string[] {
  const words = name.split(/\s+/).filter((word) => word !== '')
  const [first] = words
  if (!first || words.length < 2) return []
  const initial = nth([...first], 0)
  const forms = words
    .slice(1)
    .filter((word) => !PARTICLES.has(word.toLowerCase()))
    .flatMap((word) => [`${first} ${word}`, `${initial} ${word}`, `${ADDRESSED} ${word}`])
  const surname = words.slice(1).join(' ')
  return [
    name,
    `${initial} ${surname}`,
    `${ADDRESSED} ${surname}`,
    ...(words.length > 2 ? [surname] : []),
    ...forms,
    ...(UNSPACED.test(name) ? [words.join('')] : []),
  ]
}

/** Marks tell apart what words are asked about: how many there are, and whether one is an initial or a title. So a pair of words meets only
 * the marks of pairs, and few words are hidden for nothing although names have many forms. */
function kindOf(words: string): number {
  const each = comparableName(words).split(' ')
  const sort = each.includes(ADDRESSED.toLowerCase()) ? 16 : each.some((word) => [...word].length === 1) ? 8 : 0
  return sort + Math.min(7, each.length)
}
const ONE_KIND = 2 ** MARK_BITS
const kindedMarkOf = (words: string, salt: string): number => kindOf(words) * ONE_KIND + markOf(words, salt)

/** The forms that recorders of before ask about; their marks are of no kind. */
const formsOfBefore = (name: string): string[] => {
  const words = name.split(/\s+/).filter((word) => word !== '')
  const [first, last] = [words[0], words.at(-1)]
  return first === undefined || words.length < 2 ? [] : [name, `${first} ${last}`, `${first[0]} ${last}`]
}

/** Marks of people's names as they are written. */
export const marksOf = (names: readonly string[], salt: string): number[] => {
  const before = names.flatMap(formsOfBefore).map((form) => markOf(form, salt))
  const now = names.flatMap(formsOf).map((form) => kindedMarkOf(form, salt))
  return [...new Set([...before, ...now])].sort((a, b) => a - b)
}

/** Asks whether words may be a name, remembering the answers. */
export function nameAsker(marks: readonly number[], salt: string): (words: string) => boolean {
  const known = new Set(marks)
  const answers = new Map<string, boolean>()
  return (words) => {
    if (known.size === 0 || !/[\p{Lu}\p{Lo}]/u.test(words)) return false
    const before = answers.get(words)
    if (before !== undefined) return before
    const answer = known.has(kindedMarkOf(words, salt))
    if (answers.size > 20_000) answers.clear()
    answers.set(words, answer)
    return answer
  }
}
