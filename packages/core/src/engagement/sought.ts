import { distance } from 'fastest-levenshtein'
import { folded } from '../shared'

/** Words that say nothing of what is sought, in English and German. */
const EMPTY = new Set(
  'a an the of for to in on at and or how do does i you we my our what where when which who is are be with from wie was wo wer welche man der die das den dem ein eine einen und oder von zu zum zur im am mit ist sind ich wir'.split(
    ' ',
  ),
)
const MOST_WORDS = 12
const SAME_LETTERS = 4
const LETTERS_LONGER = 3
const SAME_BEGINNING = 5

/** What is sought, by its words: in small letters, without accents and without those that say nothing, each once, in the order of the alphabet. Searches of the same words
 * are the same, however they were typed. */
export function soughtKey(typed: string): string {
  const words = folded(typed).match(/[\p{L}\p{N}]+/gu) ?? []
  const telling = words.filter((word) => !EMPTY.has(word))
  return [...new Set(telling.length > 0 ? telling : words)].slice(0, MOST_WORDS).sort().join(' ')
}

/** Whether two words are the same but for their end, or for a letter or two that were mistyped. */
function isNear(one: string, other: string): boolean {
  if (one === other) return true
  const [short, long] = one.length <= other.length ? [one, other] : [other, one]
  if (short.length >= SAME_LETTERS && long.startsWith(short) && long.length - short.length <= LETTERS_LONGER) return true
  let alike = 0
  while (alike < short.length && short[alike] === long[alike]) alike++
  if (alike >= SAME_BEGINNING && long.length - alike <= LETTERS_LONGER) return true
  return short.length >= 5 && distance(short, long) <= (short.length >= 9 ? 2 : 1)
}
/** Whether two searches seek nearly the same: each word of the one that has fewer stands in the other, and that has at most one more. Of a single word only a single
 * word is near: “pump” would bring “pump filter” and “pump seal” together. */
function areNear(one: readonly string[], other: readonly string[]): boolean {
  const [few, many] = one.length <= other.length ? [one, other] : [other, one]
  if (few.length === 0 || many.length - few.length > (few.length === 1 ? 0 : 1)) return false
  return few.every((word) => many.some((each) => isNear(word, each)))
}

/** What was sought by the same words: the key, how often, and what was opened then, as often as it was. */
export type Sought = { key: string; times: number; opened: readonly { item: string; times: number }[] }

/** The item that was opened in most searches that opened something, if it was in more than half. */
const answerTo = ({ opened }: Sought): string | null => {
  const all = opened.reduce((sum, { times }) => sum + times, 0)
  return opened.find(({ times }) => times * 2 > all)?.item ?? null
}

/** Puts together what was sought in other words for nearly the same: words that are near, and words by which mostly the same was opened.
 * @returns groups of keys, those sought most first, in each the one sought most first; the same in whatever order they come */
export function nearTogether(all: readonly Sought[]): Sought[][] {
  const sorted = [...all].sort((a, b) => b.times - a.times || (a.key < b.key ? -1 : 1))
  const words = sorted.map(({ key }) => key.split(' ').filter(Boolean))
  const root = sorted.map((_, n) => n)
  const rootOf = (n: number): number => (root[n] === n ? n : (root[n] = rootOf(root[n]!)))
  const join = (one: number, other: number) => {
    const [a, b] = [rootOf(one), rootOf(other)].sort((x, y) => x - y) as [number, number]
    root[b] = a
  }
  // Only what begins alike somewhere is compared: all with all would be millions.
  const begins = new Map<string, number[]>()
  const answered = new Map<string, number>()
  for (const [n, sought] of sorted.entries()) {
    const met = new Set<number>()
    for (const word of words[n]!) {
      const start = word.slice(0, 3)
      const others = begins.get(start) ?? []
      for (const other of others) met.add(other)
      begins.set(start, [...others, n])
    }
    for (const other of met) if (areNear(words[n]!, words[other]!)) join(n, other)
    const item = answerTo(sought)
    if (item === null) continue
    const other = answered.get(item)
    if (other === undefined) answered.set(item, n)
    else join(n, other)
  }
  const groups = new Map<number, Sought[]>()
  for (const [n, sought] of sorted.entries()) groups.set(rootOf(n), [...(groups.get(rootOf(n)) ?? []), sought])
  const times = (group: readonly Sought[]) => group.reduce((sum, each) => sum + each.times, 0)
  return [...groups.values()].sort((a, b) => times(b) - times(a) || (a[0]!.key < b[0]!.key ? -1 : 1))
}
