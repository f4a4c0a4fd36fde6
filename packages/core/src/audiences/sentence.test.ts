import { expect, it } from 'vitest'
import { seededRandom, type GroupId, type LocalDate, type PersonId } from '../shared'
import { randomCompany, randomRule } from '../testing'
import {
  distinctNames,
  EVERYBODY,
  NOBODY,
  readRule,
  ruleInWords,
  ticked,
  type AudienceRule,
  type RuleLookup,
  type RuleNames,
} from './index'

/** Names that make it hard: quotation marks, brackets, words of the sentence itself, one letter, right to left. */
const NAMES = [
  '“A”',
  '”',
  'a ”” b',
  'x” (team) or “y',
  ' and ',
  'is in',
  'B',
  'שלום',
  'L. (2)',
  'Ola, Ola',
  '. Follows changes.',
  'Ż'.repeat(300),
]
const KINDS = ['site', 'team', 'Skill, or two', 'is not in']

function company(random: () => number): { people: PersonId[]; groups: GroupId[]; names: RuleNames; lookup: RuleLookup } {
  const { people, groups } = randomCompany(random, 14, 8)
  const called = distinctNames(people.map((_, n) => ({ name: NAMES[n % NAMES.length]!, known: n % 2 ? [`no. ${n}`] : [] })))
  const groupNames = groups.map((_, n) => ({ kind: KINDS[n % KINDS.length]!, name: NAMES[(n * 5) % NAMES.length]! }))
  const ids = people.map((person) => person.id)
  return {
    people: ids,
    groups,
    names: { person: (id) => called[ids.indexOf(id)]!, group: (id) => groupNames[groups.indexOf(id)]! },
    lookup: {
      person: (name) => ids[called.indexOf(name)] ?? null,
      group: (kind, name) => groups[groupNames.findIndex((each) => each.kind === kind && each.name === name)] ?? null,
    },
  }
}
/** One part is joined by whatever word: it is read as the first. */
const tidy = (rule: AudienceRule): AudienceRule => (rule.of.length === 1 ? { ...rule, join: 'any' } : rule)

it('says a rule so that it can be read back, whatever things are called', () => {
  const random = seededRandom(77)
  for (let round = 0; round < 40; round++) {
    const { people, groups, names, lookup } = company(random)
    for (let n = 0; n < 25; n++) {
      const rule = tidy(randomRule(random, people, groups))
      const said = ruleInWords(rule, names)
      expect({ said, read: readRule(said, lookup) }).toEqual({ said, read: { rule } })
    }
  }
})

const [crates, brookside] = ['crates-crates-crates-', 'brookside-brookside-b'] as GroupId[]
const [gareth, ola] = ['gareth-gareth-gareth-', 'ola-ola-ola-ola-ola-o'] as PersonId[]
const names: RuleNames = {
  group: (id) => (id === crates ? { kind: 'team', name: 'Crate line A' } : { kind: 'site', name: 'Brookside' }),
  person: (id) => (id === gareth ? 'Gareth Pike' : 'Ola Nowak'),
}
const lookup: RuleLookup = {
  group: (kind, name) =>
    kind === 'team' && name === 'Crate line A' ? crates! : kind === 'site' && name === 'Brookside' ? brookside! : null,
  person: (name) => (name === 'Gareth Pike' ? gareth! : name === 'Ola Nowak' ? ola! : null),
}

it.each<[AudienceRule, string]>([
  [NOBODY, 'Nobody. Follows changes.'],
  [{ ...EVERYBODY, except: [ola!] }, 'Everybody, except “Ola Nowak”. Follows changes.'],
  [
    ticked([crates!, brookside!], [ola!]),
    'Everybody who is in “Crate line A” (team) or “Brookside” (site) or is “Ola Nowak”. Follows changes.',
  ],
  [
    {
      join: 'all',
      of: [
        { asks: 'group', groups: [brookside!] },
        {
          join: 'any',
          of: [
            { asks: 'manager', people: [gareth!], directly: true },
            { asks: 'started-within', days: 30 },
          ],
          not: true,
        },
        { asks: 'level', levels: ['author', 'lead'], not: true },
      ],
      except: [gareth!, ola!],
      asOf: '2026-01-05' as LocalDate,
    },
    'Everybody who is in “Brookside” (site) and not (reports directly to “Gareth Pike” or started within the last 30 days) and does not have the level author or lead, except “Gareth Pike” and “Ola Nowak”. As of 5 January 2026.',
  ],
])('says %j in words and reads them', (rule, said) => {
  expect(ruleInWords(rule, names)).toBe(said)
  expect(readRule(said, lookup)).toEqual({ rule })
})

it.each([
  ['Everybody who is in “Nowhere” (team). Follows changes.', 20, 'a group that there is; “Nowhere” (team) is none'],
  ['Everybody who is “Nobody”. Follows changes.', 17, 'somebody who works here; “Nobody” does not'],
  ['Everybody who reports. Follows changes.', 14, 'a condition like “is in …” or “reports to …”'],
  ['Everybody who (is “Ola Nowak”). Follows changes.', 14, 'at least two conditions in brackets'],
  ['Everybody who is “Ola Nowak” and is “Gareth Pike” or is “Ola Nowak”. Follows changes.', 49, '.'],
  ['Everybody who started on or after 35 May 2026. Follows changes.', 0, 'Not a day of the calendar (YYYY-MM-DD)'],
  ['Everybody who started on or after 1 Brumaire 2026. Follows changes.', 34, 'a day like 5 January 2026'],
  ['Everybody. Follows changes. Or not', 27, 'the end'],
  ['Everybody who is “Ola', 17, 'a name in “ ”'],
])('says of %j what it cannot read', (said, at, expected) => {
  expect(readRule(said, lookup)).toEqual({ reason: 'cannot-read', at, expected })
})

it('tells apart people who are called alike by what else is known of them', () => {
  expect(
    distinctNames([
      { name: 'Ola', known: ['1042'] },
      { name: 'Ola', known: ['', 'ola@example.org'] },
      { name: 'Ola', known: [] },
      { name: 'Ola (3)', known: [] },
      { name: 'Jan', known: ['1'] },
    ]),
  ).toEqual(['Ola (1042)', 'Ola (ola@example.org)', 'Ola (3)', 'Ola (3) (4)', 'Jan'])
})
