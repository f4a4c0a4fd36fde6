import type { AudienceRule, Clause, Condition, RulePart } from '../audiences'
import { Level, type PersonFacts } from '../people'
import { addDays, seededIds, type GroupId, type LocalDate, type PersonId } from '../shared'

/** A company of chance: people in groups, some reporting to others, without circles. */
export function randomCompany(random: () => number, size: number, groupCount = 6) {
  const ids = seededIds(Math.floor(random() * 2 ** 31))
  const some = <T>(list: readonly T[], share: number): T[] => list.filter(() => random() < share)
  const groups = Array.from({ length: groupCount }, () => ids<GroupId>())
  const people: PersonFacts[] = []
  for (let n = 0; n < size; n++)
    people.push({
      id: ids<PersonId>(),
      groups: some(groups, 0.3),
      managerId: n > 0 && random() < 0.8 ? people[Math.floor(random() * n)]!.id : null,
      level: Level.options[Math.floor(random() * 4)]!,
      startedOn: random() < 0.2 ? null : addDays('2026-01-01' as LocalDate, Math.floor(random() * 300)),
    })
  return { people, groups }
}

/** A rule of chance over such a company; some of what it names is not there. */
export function randomRule(random: () => number, people: readonly PersonId[], groups: readonly GroupId[]): AudienceRule {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const few = <T>(list: readonly T[]): T[] => [...new Set(Array.from({ length: 1 + Math.floor(random() * 3) }, () => pick(list)))]
  const not = () => (random() < 0.25 ? ({ not: true } as const) : {})
  const day = () => addDays('2026-01-01' as LocalDate, Math.floor(random() * 300))
  const condition = (): Condition =>
    pick<() => Condition>([
      () => ({ asks: 'group', groups: few(groups), ...not() }),
      () => ({ asks: 'group', groups: few(groups), ...not() }),
      () => ({ asks: 'manager', people: few(people), ...(random() < 0.3 ? { directly: true as const } : {}), ...not() }),
      () => ({ asks: 'started-since', day: day(), ...not() }),
      () => ({ asks: 'started-within', days: 1 + Math.floor(random() * 200), ...not() }),
      () => ({ asks: 'level', levels: few(Level.options), ...not() }),
      () => ({ asks: 'person', people: few(people), ...not() }),
    ])()
  const clause = (): Clause => ({
    join: pick(['all', 'any']),
    of: Array.from({ length: 2 + Math.floor(random() * 2) }, condition),
    ...not(),
  })
  const of: RulePart[] = Array.from({ length: Math.floor(random() * 4) }, () => (random() < 0.3 ? clause() : condition()))
  return {
    join: pick(['all', 'any']),
    of,
    except: random() < 0.2 ? few(people) : [],
    asOf: random() < 0.1 ? day() : null,
  }
}
