/** So many letters of an accepted spelling there must be for each slip that is let pass: nobody writes “yes” by a slip in “no”. */
const LETTERS_PER_SLIP = 4

/** A text as it is compared: one form of each letter (NFKC), blanks put together, nothing at the ends. */
const tidied = (text: string, sameCase: boolean): string => {
  const plain = text.normalize('NFKC').replace(/\s+/g, ' ').trim()
  return sameCase ? plain : plain.toLocaleLowerCase('und')
}
const figuresIn = (text: string): string => (text.match(/\p{Nd}/gu) ?? []).join('')

/** How many slips lie between two texts: a letter left out, put in, written for another one, or exchanged with its neighbour. The
 * optimal string alignment distance (L. Boytsov, Indexing methods for approximate dictionary searching, 2011, after F. Damerau, 1964),
 * over code points.
 * @param most where there are more, `most + 1` is given back */
export function slipsBetween(a: string, b: string, most: number): number {
  const [from, to] = [[...a], [...b]]
  if (Math.abs(from.length - to.length) > most) return most + 1
  let [before, last]: [number[], number[]] = [[], Array.from({ length: to.length + 1 }, (_, n) => n)]
  for (let i = 1; i <= from.length; i++) {
    const row = [i]
    for (let j = 1; j <= to.length; j++) {
      const swapped = i > 1 && j > 1 && from[i - 1] === to[j - 2] && from[i - 2] === to[j - 1]
      const cost = from[i - 1] === to[j - 1] ? 0 : 1
      row[j] = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + cost, swapped ? before[j - 2]! + 1 : Infinity)
    }
    ;[before, last] = [last, row]
  }
  return Math.min(last[to.length]!, most + 1)
}

/** Whether what somebody wrote is one of the accepted spellings, with as many slips as are let pass: at most `slips`, and at most one for
 * each {@link LETTERS_PER_SLIP} letters. Figures have to be the same: “IP 65” is no slip for “IP 66”. */
export function isSpelled(
  words: string,
  { accepted, slips, sameCase }: { accepted: readonly string[]; slips: number; sameCase: boolean },
): boolean {
  const written = tidied(words, sameCase)
  return accepted.some((each) => {
    const meant = tidied(each, sameCase)
    if (written === meant) return true
    const allowed = Math.min(slips, Math.floor([...meant].length / LETTERS_PER_SLIP))
    return allowed > 0 && figuresIn(written) === figuresIn(meant) && slipsBetween(written, meant, allowed) <= allowed
  })
}
