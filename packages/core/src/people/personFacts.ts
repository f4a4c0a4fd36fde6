import type { GroupId, LocalDate, PersonId } from '../shared'
import type { Level } from './permissions'

/** What rules may ask of a person who works here: the groups that they are in, to whom they report, since when they are here. */
export type PersonFacts = {
  id: PersonId
  groups: readonly GroupId[]
  managerId: PersonId | null
  level: Level
  /** First day at work; `null` where nobody has said. */
  startedOn: LocalDate | null
}

/** The managers of a person from the nearest on; a circle, should there be one, is gone round once.
 * @param managerOf the manager of a person, `null` or `undefined` where there is none */
export function managersAbove(id: PersonId, managerOf: (id: PersonId) => PersonId | null | undefined): PersonId[] {
  const above: PersonId[] = []
  for (let at = managerOf(id); at && at !== id && !above.includes(at); at = managerOf(at)) above.push(at)
  return above
}
