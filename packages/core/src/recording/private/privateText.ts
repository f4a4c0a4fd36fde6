import { nth } from '../../shared'
import type { PrivateKind } from '../rawAction'
import { levelled } from './levelled'
import { findMails } from './mail'
import { findNames } from './names'
import { findAccounts, findNumbers, findPhones } from './numbers'
import type { PrivatePassage } from './passages'
import { findPostal } from './postalAddress'

type IsName = (words: string) => boolean

/** A text is searched in pieces of so many signs, each begun so many before the end of the last: longer than anything that is found. */
const PIECE = 2_000
const OVERLAP = 200

function findIn(text: string, kinds: ReadonlySet<PrivateKind>, isName: IsName): PrivatePassage[] {
  const level = levelled(text)
  const found: PrivatePassage[] = []
  if (kinds.has('mail') && /@|\bat\b/i.test(level)) found.push(...findMails(level))
  if (/\d/.test(level)) {
    if (kinds.has('phone')) found.push(...findPhones(level))
    if (kinds.has('account')) found.push(...findAccounts(level))
    if (kinds.has('number')) found.push(...findNumbers(level))
    if (kinds.has('address')) found.push(...findPostal(level))
  }
  if (kinds.has('person')) found.push(...findNames(text, isName))
  return found
}

/** In order, none overlapping: of two that overlap the longer one stands, with what the other has beyond it. */
function apart(found: PrivatePassage[]): PrivatePassage[] {
  const kept: PrivatePassage[] = []
  const longestFirst = found.map((each) => ({ ...each })).sort((a, b) => b.end - b.start - (a.end - a.start) || a.start - b.start)
  for (const each of longestFirst) {
    const over = kept.filter((other) => each.start < other.end && other.start < each.end)
    if (over.length === 0) kept.push(each)
    else if (over.length === 1) {
      nth(over, 0).start = Math.min(nth(over, 0).start, each.start)
      nth(over, 0).end = Math.max(nth(over, 0).end, each.end)
    } else fillGaps(each, over)
  }
  return kept.sort((a, b) => a.start - b.start)
}

/** Of one that reaches over several others, what lies between them goes to the one before. */
function fillGaps(each: PrivatePassage, over: PrivatePassage[]): void {
  over.sort((a, b) => a.start - b.start)
  nth(over, 0).start = Math.min(nth(over, 0).start, each.start)
  over.forEach((one, i) => (one.end = Math.max(one.end, over[i + 1]?.start ?? each.end)))
}

/** Finds private text by kind, in steps. Where it is in doubt it is found: what is hidden for nothing costs less than what is seen.
 * @param kinds  which kinds to look for; `value`, `portrait`, `pointed` and `password` are about elements, not about text
 * @param isName whether some words are the name of a person in the directory
 * @returns passages in order, none overlapping */
export function* findingPrivate(text: string, kinds: ReadonlySet<PrivateKind>, isName: IsName): Generator<void, PrivatePassage[]> {
  const found: PrivatePassage[] = []
  for (let from = 0; from === 0 || from + OVERLAP < text.length; from += PIECE - OVERLAP) {
    if (from > 0) yield
    for (const { kind, start, end } of findIn(text.slice(from, from + PIECE), kinds, isName))
      found.push({ kind, start: start + from, end: end + from })
  }
  return apart(found)
}

/** As `findingPrivate`, at once. */
export function findPrivate(text: string, kinds: ReadonlySet<PrivateKind>, isName: IsName = () => false): PrivatePassage[] {
  const work = findingPrivate(text, kinds, isName)
  for (;;) {
    const step = work.next()
    if (step.done) return step.value
  }
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
