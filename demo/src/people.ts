import { newcomer, type PersonState } from '@jackdaw/core/people'
import type { FolderId, GroupId, LocalDate, PersonId } from '@jackdaw/core/shared'
import { DEMO_PASSWORD, demoCompany, type DemoPerson } from './company'
import { factsOf, startedOn } from './facts'
import { FOLDERS } from './guides'
import { JOINED, LEFT, MOVED } from './past'
import { loadCalendars } from './calendars'
import type { DemoServices, NewPerson } from './services'

const DAY = 86_400_000

/** Ids by name. */
export type Ids = Record<'sites' | 'departments' | 'teams' | 'roles', Map<string, GroupId>> & {
  people: Map<string, PersonId>
  folders: Map<string, FolderId>
}
/** Somebody of the demo as they are on the anchor day. `joinsLate`: so many days before it, after most guides were given out. */
export type Member = DemoPerson & { id: PersonId; state: NewPerson & PersonState; joinsLate: number | null }

const groupsOf = (ids: Ids, of: Pick<DemoPerson, 'site' | 'department' | 'teams' | 'roles'>): GroupId[] => [
  ids.sites.get(of.site)!,
  ids.departments.get(of.department)!,
  ...of.teams.map((team) => ids.teams.get(team)!),
  ...of.roles.map((role) => ids.roles.get(role)!),
]

async function loadGroups(services: DemoServices, scale: number, now: number): Promise<{ ids: Ids; people: DemoPerson[] }> {
  const company = demoCompany(scale)
  const named = <I extends string>(names: readonly string[]) => new Map(names.map((name) => [name, services.newId<I>()]))
  const ids: Ids = {
    sites: named(company.sites.map((site) => site.name)),
    departments: named(company.departments),
    teams: named(company.teams),
    roles: named(company.roles),
    people: named(company.people.map((person) => person.name)),
    folders: named(FOLDERS.map(([name]) => name)),
  }
  const list = (kind: string, map: Map<string, GroupId>) => [...map].map(([name, id]) => ({ id, kind, name }))
  await services.addGroups(
    [
      ...company.sites.map((site) => ({ ...site, kind: 'site', id: ids.sites.get(site.name)! })),
      ...list('department', ids.departments),
      ...list('team', ids.teams),
      ...list('role', ids.roles),
    ],
    now,
  )
  return { ids, people: company.people }
}

const lateIn = (people: readonly DemoPerson[]): Map<string, number> =>
  new Map(JOINED.map(({ team, fromEnd, daysAgo }) => [people.filter((person) => person.teams[0] === team).at(-fromEnd)!.name, daysAgo]))

function membersOf(ids: Ids, people: readonly DemoPerson[], anchor: LocalDate): Member[] {
  const late = lateIn(people)
  return people.map((person, index): Member => {
    const { number, jobTitle, telephone, startedDaysAgo } = factsOf(person, index)
    const id = ids.people.get(person.name)!
    const joinsLate = late.get(person.name) ?? null
    const siteId = ids.sites.get(person.site)!
    const state = {
      ...newcomer(id, person.name, siteId, person.level, startedOn(anchor, joinsLate ?? startedDaysAgo)),
      ...{ mail: person.mail, number, jobTitle, telephone },
      groups: groupsOf(ids, person),
      managerId: person.manager === null ? null : ids.people.get(person.manager)!,
    }
    return { ...person, id, state, joinsLate }
  })
}

/** People and groups as they are on the anchor day, and how they came to be so: who moved, who left.
 * @param until when the made-up 60 days of activity end, epoch milliseconds */
export async function loadPeople(
  services: DemoServices,
  scale: number,
  anchor: LocalDate,
  until: number,
): Promise<{ ids: Ids; members: Member[] }> {
  const began = until - 400 * DAY
  const { ids, people } = await loadGroups(services, scale, began)
  const members = membersOf(ids, people, anchor)
  await loadCalendars(services, ids.sites, anchor, began)
  const moves = MOVED.map(({ team, place, daysAgo, before }) => {
    const member = members.filter((each) => each.teams[0] === team)[place]!
    const was = {
      site: before.site ?? member.site,
      department: before.department ?? member.department,
      teams: [before.team ?? team],
      roles: before.role ? [before.role] : member.roles,
    }
    return { member, at: until - daysAgo * DAY, before: { groups: groupsOf(ids, was), siteId: ids.sites.get(was.site)! } }
  })
  const first = members
    .filter((member) => member.joinsLate === null)
    .map(({ id, state }) => ({ ...state, ...moves.find((move) => move.member.id === id)?.before }))
  await services.addPeople([...first, ...LEFT.map((left) => leaverOf(services, ids, people, left, anchor))], DEMO_PASSWORD, began)
  const events = [
    ...moves.map(({ member, at }) => ({ id: member.id, at, change: { groups: member.state.groups, siteId: member.state.siteId } })),
    ...LEFT.map((left) => ({ id: ids.people.get(left.name)!, at: until - left.leftDaysAgo * DAY, change: { active: false } })),
  ].sort((a, b) => a.at - b.at)
  for (const { id, at, change } of events) await services.changePerson(id, change, at)
  for (const [name, parent] of FOLDERS)
    await services.addFolder({
      id: ids.folders.get(name)!,
      name,
      parentId: parent === null ? null : ids.folders.get(parent)!,
      now: until - 61 * DAY,
    })
  return { ids, members }
}

/** Somebody who will leave, as they were: a colleague of the first of their team. */
function leaverOf(
  services: DemoServices,
  ids: Ids,
  people: readonly DemoPerson[],
  left: (typeof LEFT)[number],
  anchor: LocalDate,
): NewPerson {
  const id = services.newId<PersonId>()
  ids.people.set(left.name, id)
  const colleague = people.find((person) => person.teams[0] === left.team && person.roles[0] === left.role)!
  return {
    ...{ id, name: left.name, mail: left.mail, number: left.number, jobTitle: left.jobTitle, level: 'staff' },
    siteId: ids.sites.get(colleague.site)!,
    groups: groupsOf(ids, colleague),
    managerId: ids.people.get(colleague.manager ?? '') ?? null,
    startedOn: startedOn(anchor, left.startedDaysAgo),
  }
}

/** Who came when most guides had been given out already: they get what their groups have. */
export async function addLateJoiners(services: DemoServices, members: readonly Member[], until: number): Promise<void> {
  for (const { state, joinsLate } of members)
    if (joinsLate !== null) await services.addPeople([state], DEMO_PASSWORD, until - joinsLate * DAY)
}
