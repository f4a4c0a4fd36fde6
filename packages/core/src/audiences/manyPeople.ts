import type { Level, PersonFacts } from '../people'
import type { GroupId, LocalDate, PersonId } from '../shared'
import { Bits } from './bits'
import type { AskedMany } from './conditions'

/** Reads who reports to whom into an order in which everybody stands before all those below them, so that whoever is below somebody stands in
 * one stretch. People in a circle, should there be one, are put at the end, each reporting to nobody. */
function byReporting(people: readonly PersonFacts[], placeOf: ReadonlyMap<PersonId, number>) {
  const below: number[][] = people.map(() => [])
  const tops: number[] = []
  people.forEach(({ managerId }, place) => {
    const manager = managerId === null ? undefined : placeOf.get(managerId)
    if (manager === undefined) tops.push(place)
    else below[manager]!.push(place)
  })
  const order: number[] = []
  const start = new Int32Array(people.length).fill(-1)
  const end = new Int32Array(people.length).fill(-1)
  const walk = (top: number) => {
    const open: { place: number; next: number }[] = [{ place: top, next: 0 }]
    start[top] = order.push(top)
    for (let here = open.at(-1); here; here = open.at(-1)) {
      const child = below[here.place]![here.next++]
      if (child === undefined) {
        end[here.place] = order.length
        open.pop()
      } else if (start[child] === -1) {
        start[child] = order.push(child)
        open.push({ place: child, next: 0 })
      }
    }
  }
  for (const top of tops) walk(top)
  people.forEach((_, place) => start[place] === -1 && walk(place))
  return { below, stretch: (place: number): number[] => order.slice(start[place], end[place]) }
}

/** Everybody of a company, so that many rules can be asked of all of them: each condition is looked up once and kept.
 * @param people all who work here, each once
 * @param today  the day on which is asked */
export function manyPeople(people: readonly PersonFacts[], today: LocalDate): AskedMany & { at: (bits: Bits) => PersonId[] } {
  const size = people.length
  const placeOf = new Map(people.map(({ id }, place) => [id, place]))
  const inGroup = new Map<GroupId, number[]>()
  const atLevel = new Map<Level, number[]>()
  people.forEach(({ groups, level }, place) => {
    for (const id of groups) inGroup.set(id, pushed(inGroup.get(id), place))
    atLevel.set(level, pushed(atLevel.get(level), place))
  })
  const reporting = byReporting(people, placeOf)
  const kept = new Map<string, Bits>()
  const keep = (key: string, places: () => Iterable<number>): Bits => {
    const known = kept.get(key)
    if (known) return known
    const bits = Bits.of(size, places())
    kept.set(key, bits)
    return bits
  }
  return {
    today,
    everybody: Bits.all(size),
    inGroup: (id) => keep(`group ${id}`, () => inGroup.get(id) ?? []),
    atLevel: (level) => keep(`level ${level}`, () => atLevel.get(level) ?? []),
    person: (id) => keep(`person ${id}`, () => (placeOf.has(id) ? [placeOf.get(id)!] : [])),
    reportTo: (id, directly) =>
      keep(`${directly ? 'direct' : 'reports'} ${id}`, () => {
        const place = placeOf.get(id)
        if (place === undefined) return []
        return directly ? reporting.below[place]! : reporting.stretch(place)
      }),
    startedBetween: (from, to) =>
      keep(`started ${from} ${to}`, () =>
        people.flatMap(({ startedOn }, place) =>
          startedOn !== null && startedOn >= from && (to === null || startedOn <= to) ? [place] : [],
        ),
      ),
    at: (bits) => bits.places().map((place) => people[place]!.id),
  }
}
function pushed(list: number[] | undefined, place: number): number[] {
  if (!list) return [place]
  list.push(place)
  return list
}
