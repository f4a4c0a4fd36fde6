import { LEVEL_NAMES, type Level } from '../people'
import type { GroupId, LocalDate, PersonId } from '../shared'
import { isClause, type AudienceRule, type Condition, type Join, type RulePart } from './audienceRule'
import type { Asks } from './conditions'

/** What groups and people are called in a sentence. Within one sentence no two groups of a kind and no two people may be called alike
 * (see `distinctNames`), so that it can be read back. */
export type RuleNames = { group: (id: GroupId) => { kind: string; name: string }; person: (id: PersonId) => string }

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const

/** A day as sentences write it: “5 January 2026”. */
const dayInWords = (day: LocalDate): string => {
  const [year, month, date] = day.split('-').map(Number)
  return `${date} ${MONTHS[month! - 1]} ${year}`
}
/** The day that is written so; `null` when it is none. */
export function dayFromWords(words: string): string | null {
  const [, date, month, year] = /^(\d{1,2}) ([A-Z][a-z]+) (\d{4})$/.exec(words) ?? []
  const at = MONTHS.findIndex((each) => each === month)
  return at < 0 ? null : `${year}-${String(at + 1).padStart(2, '0')}-${date!.padStart(2, '0')}`
}

/** A name in quotation marks; one that stands in it is written twice. */
const quoted = (name: string): string => `“${name.replaceAll('”', '””')}”`

/** A row of words: “a”, “b” or “c”. */
const listed = (words: readonly string[], last: 'or' | 'and'): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`

type Said<A extends Asks> = (condition: Extract<Condition, { asks: A }>, names: RuleNames) => string
type Phrase<A extends Asks> = {
  /** What comes before what is asked, as it is, and turned round. */
  yes: (condition: Extract<Condition, { asks: A }>) => string
  no: (condition: Extract<Condition, { asks: A }>) => string
  rest: Said<A>
}
const people = (ids: readonly PersonId[], names: RuleNames): string =>
  listed(
    ids.map((id) => quoted(names.person(id))),
    'or',
  )

/** How each kind of condition is said. */
export const PHRASES: { [A in Asks]: Phrase<A> } = {
  group: {
    yes: () => 'is in ',
    no: () => 'is not in ',
    rest: ({ groups }, names) =>
      listed(
        groups.map((id) => {
          const { kind, name } = names.group(id)
          return `${quoted(name)} (${kind})`
        }),
        'or',
      ),
  },
  manager: {
    yes: ({ directly }) => (directly ? 'reports directly to ' : 'reports to '),
    no: ({ directly }) => (directly ? 'does not report directly to ' : 'does not report to '),
    rest: ({ people: ids }, names) => people(ids, names),
  },
  'started-since': {
    yes: () => 'started on or after ',
    no: () => 'did not start on or after ',
    rest: ({ day }) => dayInWords(day),
  },
  'started-within': {
    yes: () => 'started within the last ',
    no: () => 'did not start within the last ',
    rest: ({ days }) => (days === 1 ? '1 day' : `${days} days`),
  },
  level: {
    yes: () => 'has the level ',
    no: () => 'does not have the level ',
    rest: ({ levels }) =>
      listed(
        levels.map((level: Level) => LEVEL_NAMES[level]),
        'or',
      ),
  },
  person: { yes: () => 'is ', no: () => 'is not ', rest: ({ people: ids }, names) => people(ids, names) },
}

/** A condition in words: “is in “Crate line A” (team)”. */
export function conditionInWords(condition: Condition, names: RuleNames): string {
  const phrase = PHRASES[condition.asks] as Phrase<Asks>
  return (condition.not ? phrase.no(condition) : phrase.yes(condition)) + phrase.rest(condition, names)
}

const JOINED: Record<Join, string> = { all: ' and ', any: ' or ' }
/** A part of a rule in words; several conditions stand in brackets. */
export const partInWords = (part: RulePart, names: RuleNames): string =>
  isClause(part)
    ? `${part.not ? 'not ' : ''}(${part.of.map((each) => conditionInWords(each, names)).join(JOINED[part.join])})`
    : conditionInWords(part, names)

/** A rule as a sentence: “Everybody who is in “Crate line A” (team) or reports to “Gareth Pike”, except “Ola Nowak”. Follows changes.” */
export function ruleInWords({ join, of, except, asOf }: AudienceRule, names: RuleNames): string {
  const who =
    of.length === 0
      ? join === 'all'
        ? 'Everybody'
        : 'Nobody'
      : `Everybody who ${of.map((part) => partInWords(part, names)).join(JOINED[join])}`
  const but =
    except.length === 0
      ? ''
      : `, except ${listed(
          except.map((id) => quoted(names.person(id))),
          'and',
        )}`
  return `${who}${but}. ${asOf === null ? 'Follows changes.' : `As of ${dayInWords(asOf)}.`}`
}
