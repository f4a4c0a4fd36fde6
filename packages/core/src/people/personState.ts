import type { GroupId, LocalDate, PersonId } from '../shared'
import type { PersonFacts } from './personFacts'
import { LEVEL_PRESETS, type Level, type Permission } from './permissions'

/** All that is kept of a person and can be changed. The primary site is one of the groups. */
export type PersonState = PersonFacts & {
  name: string
  /** In small letters as typed; `null` for somebody without a mail address. */
  mail: string | null
  /** Personnel number, by which they are known in lists and can sign in. */
  number: string | null
  jobTitle: string
  telephone: string
  siteId: GroupId
  permissions: readonly Permission[]
  /** Whether they work here; leavers keep their records. */
  active: boolean
}

/** How many letters each of these has at most. */
export const PERSON_LIMITS = { name: 300, mail: 254, number: 40, jobTitle: 120, telephone: 60, groupName: 120 } as const

/** A person who has just come, with nothing but a name, a site and a level. */
export const newcomer = (
  id: PersonId,
  name: string,
  siteId: GroupId,
  level: Level = 'staff',
  startedOn: LocalDate | null = null,
): PersonState => ({
  ...{ id, name, siteId, level, startedOn },
  groups: [siteId],
  managerId: null,
  mail: null,
  number: null,
  jobTitle: '',
  telephone: '',
  permissions: LEVEL_PRESETS[level],
  active: true,
})

/** Every circle in “reports to”: its people, each reporting to the next.
 * @param from      people of whom each is followed upwards
 * @param managerOf the manager of a person, `null` or `undefined` where there is none */
export function circlesAmong(from: Iterable<PersonId>, managerOf: (id: PersonId) => PersonId | null | undefined): PersonId[][] {
  const clear = new Set<PersonId>()
  const circles: PersonId[][] = []
  for (const start of from) {
    const way = new Map<PersonId, number>()
    let at: PersonId | null | undefined = start
    for (; at && !clear.has(at) && !way.has(at); at = managerOf(at)) way.set(at, way.size)
    const begins = at ? way.get(at) : undefined
    if (begins !== undefined) circles.push([...way.keys()].slice(begins))
    for (const id of way.keys()) clear.add(id)
  }
  return circles
}

/** Whether somebody may change the account of a person: not of one who holds a permission that they lack.
 * @param mine   what whoever changes it holds
 * @param theirs what the person holds */
export const mayChangeAccount = (mine: ReadonlySet<Permission>, theirs: readonly Permission[]): boolean =>
  theirs.every((permission) => mine.has(permission))

/** What is granted and what withdrawn between two states of somebody's permissions. */
export function rightsBetween(
  before: readonly Permission[],
  after: readonly Permission[],
): { granted: Permission[]; withdrawn: Permission[] } {
  return {
    granted: after.filter((permission) => !before.includes(permission)),
    withdrawn: before.filter((permission) => !after.includes(permission)),
  }
}
