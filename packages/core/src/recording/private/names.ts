import { nth } from '../../shared'
import { ADDRESSED } from './nameMarks'
import type { PrivatePassage } from './passages'

const WORD = /\p{L}[\p{L}\p{M}'’-]*\.?/gu
const MOST_WORDS = 5
const JOINS = /^[\s,\u00a0·・]{1,3}$/
const isInitial = (word: string): boolean => /^\p{L}\.?$/u.test(word)

type Word = { word: string; start: number; end: number }

/** Whether two words stand together as those of a name do: with a blank or a comma between them, or an initial at the next word. */
const together = (text: string, a: Word, b: Word): boolean =>
  JOINS.test(text.slice(a.end, b.start)) || (a.end === b.start && a.word.endsWith('.'))

/** How people are addressed: before a surname alone. */
const TITLE =
  /^(?:mr|mrs|ms|miss|mx|dr|prof|sir|herr|frau|pan|pani|sr|sra|señor|señora|don|doña|m|mme|mlle|monsieur|madame|sig|signor|signora|dhr|mevr|meneer|mevrouw|fru|paní|shri|smt|seu|dona|п|пан|пані)\.?$/iu
/** The words as marks are asked for: without the mark of the second case, every title the same one. */
const plainOf = (words: readonly Word[]): string =>
  words.map(({ word }, i) => (i === 0 && TITLE.test(word) ? ADDRESSED : word.replace(/['’]s$/i, ''))).join(' ')

/** Scripts that leave no room between words: a name may stand anywhere in a run of their signs. */
const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}ー]{2,}/gu

/** Neighbouring words that are a name: two to five words, in any order, with a comma or without, with initials or without. */
export function findNames(text: string, isName: (words: string) => boolean): PrivatePassage[] {
  const words = [...text.matchAll(WORD)].map((match): Word => ({ word: match[0], start: match.index, end: match.index + match[0].length }))
  const found: PrivatePassage[] = []
  for (let i = 0; i < words.length; i++) {
    let most = 1
    while (most < MOST_WORDS && i + most < words.length && together(text, nth(words, i + most - 1), nth(words, i + most))) most++
    for (let length = most; length >= 2; length--) {
      const run = words.slice(i, i + length)
      const full = run.filter(({ word }) => !isInitial(word))
      const [first, last] = [nth(run, 0), run.at(-1)!]
      const named =
        isName(plainOf(run)) ||
        (full.length >= 2 && full.length < run.length && isName(plainOf(full))) ||
        (full.length === 1 && run.length > 2 && run.some((each) => isInitial(each.word) && isName(plainOf([each, nth(full, 0)]))))
      if (named) found.push({ kind: 'person', start: first.start, end: last.end })
    }
  }
  for (const { 0: signs, index } of text.matchAll(UNSPACED))
    for (let from = 0; from < signs.length; from++)
      for (let length = Math.min(8, signs.length - from); length >= 2; length--)
        if (isName(signs.slice(from, from + length))) found.push({ kind: 'person', start: index + from, end: index + from + length })
  return found
}
