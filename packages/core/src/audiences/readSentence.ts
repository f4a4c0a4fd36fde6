import { LEVEL_NAMES, Level } from '../people'
import { entriesOf, type GroupId, type PersonId } from '../shared'
import { AudienceRule, type Condition, type Join, type RulePart } from './audienceRule'
import type { Asks } from './conditions'
import { dayFromWords, PHRASES } from './sentence'

/** Finds what names in a sentence mean; `null` where there is no such group or person. */
export type RuleLookup = { group: (kind: string, name: string) => GroupId | null; person: (name: string) => PersonId | null }

/** What came of reading a sentence: a rule, or what stands in the way and at which character (from 0). */
export type SentenceRead = { rule: AudienceRule } | { reason: 'cannot-read'; at: number; expected: string }

/** Thrown within this file only: what was expected where. */
class Unread {
  constructor(
    readonly at: number,
    readonly expected: string,
  ) {}
}

/** Goes through a sentence from its beginning. */
class Sentence {
  at = 0
  constructor(readonly text: string) {}

  /** Whether these words come next; they are passed when they do. */
  takes(words: string): boolean {
    if (!this.text.startsWith(words, this.at)) return false
    this.at += words.length
    return true
  }
  /** Passes the words that come next, or says that they were expected. */
  must(words: string): void {
    if (!this.takes(words)) throw new Unread(this.at, words.trim())
  }
  /** What a pattern finds here. */
  find(pattern: RegExp, expected: string): string {
    const found = new RegExp(pattern.source, 'yu')
    found.lastIndex = this.at
    const [whole] = found.exec(this.text) ?? []
    if (whole === undefined) throw new Unread(this.at, expected)
    this.at += whole.length
    return whole
  }
  quoted(): string {
    return this.find(/“(?:[^”]|””)*”/, 'a name in “ ”')
      .slice(1, -1)
      .replaceAll('””', '”')
  }
}

/** A row of things: commas between them, a word before the last. */
function row<T>(sentence: Sentence, last: ' or ' | ' and ', one: () => T, goesOn: RegExp): T[] {
  const all = [one()]
  const next = () => {
    const here = sentence.at
    if (sentence.takes(', ')) {
      if (goesOn.test(sentence.text.slice(sentence.at))) return true
    } else if (sentence.takes(last) && goesOn.test(sentence.text.slice(sentence.at))) return true
    sentence.at = here
    return false
  }
  while (next()) all.push(one())
  return all
}
const NAME = /^“/
const aLevel = new RegExp(`^(${Object.values(LEVEL_NAMES).join('|')})\\b`)

/** How what each kind asks for is read. */
const RESTS: { [A in Asks]: (sentence: Sentence, lookup: RuleLookup) => object } = {
  group: (sentence, lookup) => ({
    groups: row(
      sentence,
      ' or ',
      () => {
        const { at } = sentence
        const name = sentence.quoted()
        const kind = sentence.find(/ \([^)]*\)/, 'the kind of the group in brackets').slice(2, -1)
        return lookup.group(kind, name) ?? no(at, `a group that there is; “${name}” (${kind}) is none`)
      },
      NAME,
    ),
  }),
  manager: (sentence, lookup) => ({ people: people(sentence, lookup, ' or ') }),
  'started-since': (sentence) => ({ day: aDay(sentence) }),
  'started-within': (sentence) => {
    const days = Number(sentence.find(/\d{1,5}/, 'a number of days'))
    sentence.must(days === 1 ? ' day' : ' days')
    return { days }
  },
  level: (sentence) => ({
    levels: row(
      sentence,
      ' or ',
      () => {
        const name = sentence.find(/[a-z]+/, 'a level')
        return Level.options.find((level) => LEVEL_NAMES[level] === name) ?? no(sentence.at - name.length, 'a level')
      },
      aLevel,
    ),
  }),
  person: (sentence, lookup) => ({ people: people(sentence, lookup, ' or ') }),
}
const no = (at: number, expected: string): never => {
  throw new Unread(at, expected)
}
const people = (sentence: Sentence, lookup: RuleLookup, last: ' or ' | ' and '): PersonId[] =>
  row(
    sentence,
    last,
    () => {
      const { at } = sentence
      const name = sentence.quoted()
      return lookup.person(name) ?? no(at, `somebody who works here; “${name}” does not`)
    },
    NAME,
  )
function aDay(sentence: Sentence): string {
  const { at } = sentence
  return dayFromWords(sentence.find(/\d{1,2} \w+ \d{4}/, 'a day like 5 January 2026')) ?? no(at, 'a day like 5 January 2026')
}

/** What a condition can begin with; the longest first, since one may be the beginning of another. */
const BEGINNINGS = entriesOf(PHRASES)
  .flatMap(([asks, { yes, no: turned }]) => {
    const said = (words: (condition: never) => string, more: object, not: object) => ({
      words: words({ asks, ...more } as never),
      begun: { asks, ...more, ...not },
    })
    const each = (more: object) => [said(yes, more, {}), said(turned, more, { not: true })]
    return asks === 'manager' ? [...each({}), ...each({ directly: true })] : each({})
  })
  .sort((a, b) => b.words.length - a.words.length)

function condition(sentence: Sentence, lookup: RuleLookup): Condition {
  // “is” and “is not” begin what has a name behind them; “is in” never does.
  const found = BEGINNINGS.find(({ words }) => sentence.takes(words)) ?? no(sentence.at, 'a condition like “is in …” or “reports to …”')
  return { ...found.begun, ...RESTS[found.begun.asks](sentence, lookup) } as Condition
}

/** Parts with one word between all of them. */
function joinedBy<T>(sentence: Sentence, one: () => T): { join: Join; of: T[] } {
  const of = [one()]
  const join: Join = sentence.text.startsWith(' and ', sentence.at) ? 'all' : 'any'
  const word = join === 'all' ? ' and ' : ' or '
  while (sentence.takes(word)) of.push(one())
  return { join, of }
}

function part(sentence: Sentence, lookup: RuleLookup): RulePart {
  const { at } = sentence
  const not = sentence.takes('not (') ? ({ not: true } as const) : {}
  if (!('not' in not) && !sentence.takes('(')) return condition(sentence, lookup)
  const clause = joinedBy(sentence, () => condition(sentence, lookup))
  if (clause.of.length < 2) throw new Unread(at, 'at least two conditions in brackets')
  sentence.must(')')
  return { ...clause, ...not }
}

function whole(sentence: Sentence, lookup: RuleLookup): AudienceRule {
  const { join, of }: { join: Join; of: RulePart[] } = sentence.takes('Nobody')
    ? { join: 'any', of: [] }
    : (sentence.must('Everybody'), sentence.takes(' who ') ? joinedBy(sentence, () => part(sentence, lookup)) : { join: 'all', of: [] })
  const except = sentence.takes(', except ') ? people(sentence, lookup, ' and ') : []
  sentence.must('. ')
  const asOf = sentence.takes('Follows changes.') ? null : (sentence.must('As of '), aDay(sentence))
  if (asOf !== null) sentence.must('.')
  if (sentence.at < sentence.text.length) throw new Unread(sentence.at, 'the end')
  const rule = AudienceRule.safeParse({ join, of, except, asOf })
  if (!rule.success) throw new Unread(0, rule.error.issues.map((issue) => issue.message).join('; '))
  return rule.data
}

/** Reads a sentence that `ruleInWords` could have written. */
export function readRule(text: string, lookup: RuleLookup): SentenceRead {
  try {
    return { rule: whole(new Sentence(text.trim()), lookup) }
  } catch (error) {
    if (!(error instanceof Unread)) throw error
    return { reason: 'cannot-read', at: error.at, expected: error.expected }
  }
}
