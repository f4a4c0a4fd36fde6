import type { PrivateKind } from './rawAction'

/** A private passage: `text.slice(start, end)`. */
export type PrivatePassage = { kind: PrivateKind; start: number; end: number }

const MAIL = /[\p{L}\p{N}._%+'-]{1,64}@[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)+/gu
const IBAN_LIKE = /\b[A-Z]{2}\d{2}(?:[ \u00a0]?[A-Z0-9]{2,4}){3,8}\b/g
const LONG_DIGITS = /(?<![\p{L}\p{N}])\d(?:[ \u00a0.-]?\d){7,18}(?![\p{L}\p{N}])/gu
const PHONE = /(?<![\p{L}\p{N}])(?:\+|00|\(0|0)[\d()\u00a0 ./-]{6,20}\d(?![\p{L}\p{N}])/gu
const NUMBER = /(?<![\p{L}])[-+]?\d[\d\u00a0.,:/ ]*(?![\p{L}])/gu
const DATE = /^(?:\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[./-]\d{1,2}[./-]\d{2,4})$/

const digitsOf = (text: string): string => text.replace(/\D/g, '')

/** Whether digits pass the check of payment cards (ISO/IEC 7812-1, annex B; H. P. Luhn, US patent 2950048). */
export function passesLuhn(digits: string): boolean {
  let sum = 0
  for (let i = 0; i < digits.length; i++) {
    const digit = Number(digits[digits.length - 1 - i])
    const doubled = i % 2 === 1 ? digit * 2 : digit
    sum += doubled > 9 ? doubled - 9 : doubled
  }
  return digits.length > 0 && sum % 10 === 0
}

/** Whether an account number passes the check of ISO 13616 (IBAN): rearranged and read as a number it leaves 1 when divided by 97. */
export function passesIban(text: string): boolean {
  const plain = text.replace(/[\s\u00a0]/g, '').toUpperCase()
  if (!/^[A-Z]{2}\d{2}[A-Z0-9]{11,30}$/.test(plain)) return false
  let rest = 0
  for (const sign of plain.slice(4) + plain.slice(0, 4)) {
    const value = sign >= 'A' ? String(sign.charCodeAt(0) - 55) : sign
    for (const digit of value) rest = (rest * 10 + Number(digit)) % 97
  }
  return rest === 1
}

const all = (pattern: RegExp, text: string, kind: PrivateKind, holds: (found: string) => boolean = () => true): PrivatePassage[] =>
  [...text.matchAll(pattern)]
    .filter((match) => holds(match[0]))
    .map((match) => ({ kind, start: match.index, end: match.index + match[0].trimEnd().length }))

const isCard = (found: string): boolean => {
  const digits = digitsOf(found)
  return digits.length >= 12 && digits.length <= 19 && passesLuhn(digits)
}
/** Eight digits and more in one go are an account, unless they are a date. Numbers shaped like an IBAN are taken also where the check fails:
 * a slip of the pen is as private as the number itself. */
const isAccount = (found: string): boolean => isCard(found) || (digitsOf(found).length >= 8 && !DATE.test(found))
const isPhone = (found: string): boolean => {
  const digits = digitsOf(found)
  return digits.length >= 7 && digits.length <= 15 && !DATE.test(found)
}

/** Finds private text by kind.
 * @param kinds  which kinds to look for; `value`, `portrait`, `pointed` and `password` are about elements, not about text
 * @param isName whether some words are the name of a person in the directory
 * @returns passages in order, none overlapping; the longer one wins */
export function findPrivate(
  text: string,
  kinds: ReadonlySet<PrivateKind>,
  isName: (words: string) => boolean = () => false,
): PrivatePassage[] {
  const found: PrivatePassage[] = []
  if (kinds.has('mail')) found.push(...all(MAIL, text, 'mail'))
  if (kinds.has('account')) found.push(...all(IBAN_LIKE, text, 'account'), ...all(LONG_DIGITS, text, 'account', isAccount))
  if (kinds.has('phone')) found.push(...all(PHONE, text, 'phone', isPhone))
  if (kinds.has('person')) found.push(...findNames(text, isName))
  if (kinds.has('number')) found.push(...all(NUMBER, text, 'number'))
  const kept: PrivatePassage[] = []
  for (const each of found.sort((a, b) => b.end - b.start - (a.end - a.start) || a.start - b.start))
    if (kept.every((other) => each.end <= other.start || each.start >= other.end)) kept.push(each)
  return kept.sort((a, b) => a.start - b.start)
}

const WORD = /[\p{L}][\p{L}'’-]*\.?/gu

/** Neighbouring words that are a name: two or three words, in either order, with a comma or without. */
function findNames(text: string, isName: (words: string) => boolean): PrivatePassage[] {
  const words = [...text.matchAll(WORD)].map((match) => ({ word: match[0], start: match.index, end: match.index + match[0].length }))
  const found: PrivatePassage[] = []
  for (let i = 0; i < words.length; i++)
    for (const length of [3, 2]) {
      const run = words.slice(i, i + length)
      if (run.length < length) continue
      const joined = run.every((each, n) => n === 0 || /^[\s,\u00a0]{1,3}$/.test(text.slice(run[n - 1]!.end, each.start)))
      if (joined && isName(run.map((each) => each.word).join(' ')))
        found.push({ kind: 'person', start: run[0]!.start, end: run.at(-1)!.end })
    }
  return found
}

/** Text with its private passages taken out. */
export function withoutPrivate(text: string, passages: readonly PrivatePassage[]): string {
  let kept = ''
  let from = 0
  for (const { start, end } of passages) {
    kept += `${text.slice(from, start)}…`
    from = end
  }
  return (kept + text.slice(from)).trim()
}
