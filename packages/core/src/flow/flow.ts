import { known, nth } from '../shared'
import type { Condition, Rule } from '../guides'
import { accepts } from './accept'
import { END, placeOf, type Person, type Script } from './script'

/** Whether a condition holds; `null` as long as it is not known, because nothing was entered at the step it asks about. */
export function holds(
  condition: Condition,
  person: Person,
  values: Readonly<Record<string, string>>,
  guideLanguage: string,
): boolean | null {
  const is = ((): boolean | null => {
    switch (condition.of) {
      case 'role':
        return condition.ids.some((id) => person.roles.includes(id))
      case 'site':
        return condition.ids.some((id) => person.sites.includes(id))
      case 'value': {
        const value = values[condition.stepId]
        return value === undefined ? null : accepts(condition.accept, value, person.language, guideLanguage)
      }
    }
  })()
  return is === null ? null : is !== (condition.not === true)
}

/** Where it goes on after a step, or what is offered to go on: its choices, or its rules as long as it is not known which of them hold. */
export type Onward =
  { kind: 'on'; to: number } | { kind: 'choose'; ask: string; ways: { id: string; words: string; rule?: Rule; to: number }[] }

/** Id under which the way that no rule names is chosen. */
export const OTHERWISE = 'otherwise'

/** How a guide goes on after a step, by its choices and rules; skipped steps are passed over.
 * @param at index of the step
 * @returns an index, the number of steps being the end; or what is to be chosen from */
export function waysOn(script: Script, at: number, person: Person, values: Readonly<Record<string, string>>): Onward {
  const step = script.steps[at]
  const past = (to: number) => passSkipped(script, to, person, values)
  if (!step) return { kind: 'on', to: script.steps.length }
  const { choices = [], rules = [], ask = '' } = step.flow ?? {}
  if (choices.length > 0)
    return { kind: 'choose', ask, ways: choices.map(({ id, words, to }) => ({ id, words, to: past(placeOf(script, at, to)) })) }
  const open: Rule[] = []
  for (const rule of rules) {
    const is = holds(rule.when, person, values, script.language)
    if (is === true && open.length === 0) return { kind: 'on', to: past(placeOf(script, at, rule.to)) }
    if (is !== false) open.push(rule)
    if (is === true) break
  }
  if (open.length === 0) return { kind: 'on', to: past(at + 1) }
  const ways = open.map((rule) => ({ id: rule.id, words: '', rule, to: past(placeOf(script, at, rule.to)) }))
  return { kind: 'choose', ask, ways: [...ways, { id: OTHERWISE, words: '', to: past(at + 1) }] }
}

/** The first place from `at` on that is not passed over by its rule. */
export function passSkipped(script: Script, at: number, person: Person, values: Readonly<Record<string, string>>): number {
  let to = at
  for (let step = script.steps[to]; step?.flow?.skipWhen; step = script.steps[++to])
    if (holds(step.flow.skipWhen, person, values, script.language) !== true) break
  return to
}

/** What somebody has entered so far, by step. */
type Values = Readonly<Record<string, string>>

/** Every place to which a step can lead for this person: a rule that asks for something that was not entered yet may hold or not, an
 * optional section may be left out or not. */
export function leadsTo(script: Script, at: number, person: Person, values: Values): number[] {
  const ways = waysOn(script, at, person, values)
  const to = ways.kind === 'on' ? [ways.to] : ways.ways.map((way) => way.to)
  return [...new Set(to.flatMap((each) => withLeftOut(script, each, person, values)))]
}

/** A place, and those behind the optional section in which it stands: wherever somebody comes into it (its first steps may be passed over,
 * a branch may lead into its middle), they may leave it. */
function withLeftOut(script: Script, at: number, person: Person, values: Values): number[] {
  const all = [at]
  for (let to = at; script.steps[to]?.optional; all.push(to)) to = passSkipped(script, afterSection(script, to), person, values)
  return all
}

/** The place behind the section of a step. */
export function afterSection(script: Script, at: number): number {
  const { sectionId } = nth(script.steps, at)
  let to = at
  while (to < script.steps.length && nth(script.steps, to).sectionId === sectionId) to++
  return to
}

/** The places where a guide can begin: its first step, or what follows when that one is skipped or optional. */
const beginnings = (script: Script, person: Person, values: Values): number[] =>
  withLeftOut(script, passSkipped(script, 0, person, values), person, values)

/** The way from the beginning to the end that needs the fewest further steps.
 * @param passed steps that need nothing more
 * @returns the steps on it that are not passed, in order of the way; empty when such a way has been gone already */
export function stepsLeft(script: Script, person: Person, values: Values, passed: (id: string) => boolean): string[] {
  const end = script.steps.length
  const cost = (at: number): number => (at === end || passed(nth(script.steps, at).id) ? 0 : 1)
  // Breadth first over 0 and 1 (Dijkstra with two buckets): places in order of what it takes to get there.
  const best = new Map<number, { cost: number; from: number | null }>()
  let round: number[] = []
  let next: number[] = []
  const reach = (at: number, from: number | null, base: number) => {
    const total = base + cost(at)
    const known = best.get(at)
    if (known && known.cost <= total) return
    best.set(at, { cost: total, from })
    ;(cost(at) === 0 ? round : next).push(at)
  }
  for (const at of beginnings(script, person, values)) reach(at, null, 0)
  while (round.length > 0 || next.length > 0) {
    if (round.length === 0) [round, next] = [next, []]
    const at = round.shift()!
    if (at === end) break
    for (const to of leadsTo(script, at, person, values)) reach(to, at, known(best, at).cost)
  }
  const left: string[] = []
  // A guide whose steps never lead to its end counts as gone through when all of them are passed.
  if (!best.has(end)) return script.steps.flatMap(({ id }) => (passed(id) ? [] : [id]))
  for (let at: number | null = end; at !== null; at = known(best, at).from)
    if (at !== end && !passed(nth(script.steps, at).id)) left.unshift(nth(script.steps, at).id)
  return left
}

/** The places to which somebody may go: all that can be reached without passing a closed step.
 * @param closed steps that must be settled before what follows them opens
 * @returns ids, and {@link END} when the end is open */
export function openPlaces(script: Script, person: Person, values: Values, closed: (id: string) => boolean): Set<string> {
  const end = script.steps.length
  const seen = new Set<number>()
  const waiting = [...beginnings(script, person, values)]
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (seen.has(at)) continue
    seen.add(at)
    if (at < end && !closed(nth(script.steps, at).id)) waiting.push(...leadsTo(script, at, person, values))
  }
  return new Set([...seen].map((at) => script.steps[at]?.id ?? END))
}
