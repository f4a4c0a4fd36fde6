import { nth } from '../shared'
import { type Accept } from '../guides'

/** What separates the parts of a number in a language (CLDR): decimal sign, and the signs that group thousands. */
function numberSigns(language: string): { decimal: string; groups: string } {
  const plain = nth(language.split('-'), 0).toLowerCase()
  if (['de', 'es', 'pl', 'fr', 'it', 'nl', 'pt', 'da', 'sv', 'nb', 'fi', 'cs', 'sk', 'hu', 'ro', 'tr', 'uk', 'ru'].includes(plain))
    return { decimal: ',', groups: '. \u00a0\u202f’' }
  return { decimal: '.', groups: ', \u00a0\u202f' }
}

/** Reads a number as people of a language write it: `1.234,5` in German, `1,234.5` in English.
 * @returns `null` when it is none */
export function numberIn(words: string, language: string): number | null {
  const { decimal, groups } = numberSigns(language)
  const text = words.trim()
  const [whole = '', part, ...more] = text.replace(/^[-−+]/, '').split(decimal)
  if (more.length > 0 || (part !== undefined && !/^\d+$/.test(part))) return null
  const parts = whole.split(new RegExp(`[${groups.replace('.', '\\.')}]`))
  const grouped =
    parts.length === 1 ? /^\d+$/.test(whole) : /^\d{1,3}$/.test(nth(parts, 0)) && parts.slice(1).every((each) => /^\d{3}$/.test(each))
  if (!grouped) return null
  const value = Number(`${parts.join('')}.${part ?? '0'}`)
  return /^[-−]/.test(text) ? -value : value
}

/** Whether a language of which only the name is known writes the month first. */
const monthFirst = (language: string): boolean => language === 'en-US'

/** Reads a day as people of a language write it, in figures; ISO 8601 is read in every language.
 * @returns `YYYY-MM-DD`, or `null` when it is no day */
export function dayIn(words: string, language: string): string | null {
  const text = words.trim()
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text)
  const own = /^(\d{1,2})[./\- ]{1,2}(\d{1,2})[./\- ]{1,2}(\d{4}|\d{2})\.?$/.exec(text)
  if (!iso && !own) return null
  const [year, month, day] = iso
    ? [Number(iso[1]), Number(iso[2]), Number(iso[3])]
    : monthFirst(language)
      ? [century(nth(own!, 3)), Number(own![1]), Number(own![2])]
      : [century(nth(own!, 3)), Number(own![2]), Number(own![1])]
  const date = new Date(Date.UTC(year, month - 1, day))
  if (date.getUTCMonth() !== month - 1 || date.getUTCDate() !== day) return null
  return date.toISOString().slice(0, 10)
}
const century = (year: string): number => (year.length === 2 ? 2000 + Number(year) : Number(year))

const folded = (words: string): string => words.trim().toLowerCase().replace(/\s+/g, ' ')

/** Whether an entry fits a pattern: `#` a digit, `@` a letter, `?` any one sign, `*` any number of signs; everything else is itself, in any
 * case. Takes time in proportion to the product of the lengths, whatever the pattern. */
export function fitsPattern(entry: string, pattern: string): boolean {
  const [text, wanted] = [[...entry.trim().toLowerCase()], [...pattern.trim().toLowerCase()]]
  let open = new Set([0])
  const past = (at: Set<number>): Set<number> => {
    for (const each of at) if (wanted[each] === '*') at.add(each + 1)
    return at
  }
  open = past(open)
  for (const sign of text) {
    const next = new Set<number>()
    for (const at of open) {
      const want = wanted[at]
      if (want === '*') next.add(at)
      else if (want === '?' || want === sign || (want === '#' && /\d/.test(sign)) || (want === '@' && /\p{L}/u.test(sign))) next.add(at + 1)
    }
    open = past(next)
  }
  return open.has(wanted.length)
}

/** Whether two entries say the same: in any case, as numbers or as days. `value` is written in the guide's language, or plainly. */
function same(entry: string, value: string, language: string, guideLanguage: string): boolean {
  if (folded(entry) === folded(value)) return true
  const number = numberIn(value, guideLanguage) ?? numberIn(value, 'en')
  if (number !== null) return numberIn(entry, language) === number
  const day = dayIn(value, guideLanguage)
  return day !== null && dayIn(entry, language) === day
}

/** Whether an entry is taken as right.
 * @param language      of the person, BCP 47: how they write numbers and days
 * @param guideLanguage in which the accepted value was written */
export function accepts(accept: Accept, entry: string, language: string, guideLanguage: string): boolean {
  switch (accept.how) {
    case 'exact':
      return entry.trim() === accept.value.trim()
    case 'same':
      return same(entry, accept.value, language, guideLanguage)
    case 'without-blanks':
      return entry.replace(/\s/g, '').toLowerCase() === accept.value.replace(/\s/g, '').toLowerCase()
    case 'pattern':
      return fitsPattern(entry, accept.pattern)
    case 'range': {
      const value = numberIn(entry, language)
      return value !== null && (accept.least === null || value >= accept.least) && (accept.most === null || value <= accept.most)
    }
    case 'one-of':
      return accept.values.some((value) => same(entry, value, language, guideLanguage))
    case 'date':
      return dayIn(entry, language) === accept.date
    case 'anything':
      return entry.trim() !== ''
  }
}

/** An entry that is taken, to be typed when the step is shown; `null` where there is no single one. */
export function shownEntry(accept: Accept): string | null {
  switch (accept.how) {
    case 'exact':
    case 'same':
    case 'without-blanks':
      return accept.value
    case 'one-of':
      return accept.values[0] ?? null
    case 'date':
      return accept.date
    case 'range':
      return accept.least === null && accept.most === null ? null : String(accept.least ?? accept.most)
    case 'pattern':
      return /[*?]/.test(accept.pattern) ? null : accept.pattern.replaceAll('#', '1').replaceAll('@', 'A')
    case 'anything':
      return null
  }
}
