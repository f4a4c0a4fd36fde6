import type { Permission } from './permissions'

/** How a person stands to the thing that is asked about.
 * `any` holds for every existing thing; `asked`, that they are asked to judge it; `reports` means that someone who reports to the person (at any depth) is concerned; `here`, that somebody works here. */
export type Relation = 'any' | 'own' | 'shared' | 'assigned' | 'open' | 'self' | 'reports' | 'here' | 'asked'

/** One way to be allowed: the permission held (or `null`: every signed-in person), over things in one of these relations. */
type Grant = { permission: Permission | null; over: readonly Relation[] }

const everyone = (...over: Relation[]): Grant => ({ permission: null, over })
const holder = (permission: Permission, ...over: Relation[]): Grant => ({ permission, over })

/** The one table of rights: action → the grants, any of which is enough. The server asks it for every request. */
export const RIGHTS = {
  'session.end': [everyone('any')],
  'self.change': [everyone('any')],
  'self.password': [everyone('any')],
  'today.read': [everyone('any')],
  'event.send': [everyone('any')],
  'library.find': [everyone('any')],
  'folder.change': [holder('folders.change', 'any')],
  'folder.open': [holder('guides.all', 'any')],
  'people.look-up': [holder('people.look-up', 'any')],
  'directory.read': [everyone('any')],
  'person.see': [everyone('here', 'self', 'reports'), holder('people.manage', 'any'), holder('records.all', 'any')],
  'person.look-as': [holder('guides.all', 'here')],
  'person.add': [holder('people.manage', 'any'), holder('people.invite', 'any')],
  'person.change': [holder('people.manage', 'any')],
  'people.import': [holder('people.manage', 'any')],
  'person.invite': [holder('people.manage', 'any'), holder('people.invite', 'reports')],
  'person.password': [holder('people.manage', 'any'), everyone('reports')],
  'person.absence': [everyone('self', 'reports'), holder('people.manage', 'any')],
  'group.change': [holder('people.manage', 'any')],
  'company.begin': [holder('people.manage', 'any')],
  'company.change': [holder('company.settings', 'any')],
  'audience.use': [holder('guides.publish', 'any'), holder('guides.all', 'any')],
  'audience.change': [holder('guides.all', 'any')],
  'look.read': [everyone('any')],
  'look.change': [holder('company.settings', 'any'), holder('guides.all', 'any')],
  'item.create': [holder('guides.write', 'any')],
  'recording.make': [holder('guides.write', 'any')],
  'item.read': [everyone('assigned', 'open'), holder('guides.write', 'own', 'shared'), holder('guides.all', 'any')],
  'item.edit': [holder('guides.write', 'own', 'shared'), holder('guides.all', 'any')],
  'item.hand-over': [holder('guides.write', 'own'), holder('guides.all', 'any')],
  'item.publish': [holder('guides.publish', 'own', 'shared'), holder('guides.all', 'any')],
  'item.share': [holder('guides.publish', 'own', 'shared'), holder('guides.all', 'any')],
  'use.own': [holder('guides.write', 'any')],
  'use.own-item': [holder('guides.write', 'own')],
  'application.manage': [holder('company.settings', 'any')],
  'goal.change': [holder('guides.all', 'any')],
  'release.change': [holder('guides.all', 'any')],
  'survey.make': [holder('guides.publish', 'own', 'shared'), holder('guides.all', 'any')],
  'survey.send': [holder('guides.all', 'any')],
  'assignment.change': [holder('guides.publish', 'own', 'shared'), holder('guides.all', 'any')],
  'assignment.list': [holder('guides.publish', 'any'), holder('guides.all', 'any')],
  'reminders.change': [holder('company.settings', 'any'), holder('guides.all', 'any')],
  'records.item': [holder('records.all', 'any'), everyone('reports')],
  'records.person': [everyone('self', 'reports'), holder('records.all', 'any')],
  'plan.change': [holder('guides.all', 'any')],
  'hand-in.read': [everyone('self', 'asked', 'reports'), holder('records.all', 'any'), holder('guides.all', 'any')],
  'hand-in.answer': [everyone('asked', 'reports'), holder('guides.all', 'any')],
  'hand-in.take-back': [everyone('self')],
  'check-in.answer': [everyone('self', 'asked')],
  'bank.use': [holder('guides.write', 'any')],
  'bank.edit': [holder('guides.write', 'own'), holder('guides.all', 'any')],
  'attempt.answer': [everyone('self')],
  'attempt.record': [everyone('self', 'reports'), holder('records.all', 'any'), holder('guides.all', 'any')],
  'attempt.judge': [everyone('asked')],
  'attempt.see': [everyone('self', 'asked', 'reports'), holder('records.all', 'any'), holder('guides.all', 'any')],
  'clip.send': [everyone('self')],
  'export.make': [everyone('any')],
  'export.use': [everyone('self')],
  'quiz.allow': [everyone('reports'), holder('guides.all', 'any')],
  'inbox.use': [everyone('any')],
  'jobs.manage': [holder('company.settings', 'any')],
  'records.list': [holder('records.all', 'any'), everyone('reports')],
} as const satisfies Record<string, readonly Grant[]>

/** Something that rights are asked for. */
export type Action = keyof typeof RIGHTS

/** Whether someone may do something to a thing.
 * @param permissions what the person holds
 * @param relations   how the person stands to the thing; `any` is always taken to hold */
export function may(permissions: ReadonlySet<Permission>, action: Action, relations: ReadonlySet<Relation>): boolean {
  return RIGHTS[action].some(
    (grant: Grant) =>
      (grant.permission === null || permissions.has(grant.permission)) &&
      grant.over.some((relation) => relation === 'any' || relations.has(relation)),
  )
}

/** What is to be known of a thing that rights are asked for: how somebody may stand to it, and the actions by which one comes to know that it
 * exists; who may do none of them is told that there is no such thing. */
export type ThingRights = { relations: readonly Relation[]; knownBy: readonly Action[] }
/** What can be given to people, of whatever kind. */
const ITEM_RIGHTS = {
  relations: ['own', 'shared', 'assigned', 'open', 'reports'],
  knownBy: ['item.read', 'item.edit', 'records.item'],
} as const satisfies ThingRights
/** The things that rights are asked for: one that is added says all of it here, and its domain how relations to it are found. */
export const THINGS = {
  guide: ITEM_RIGHTS,
  task: ITEM_RIGHTS,
  quiz: ITEM_RIGHTS,
  /** Of whatever kind: how somebody stands to it is asked of its kind. */
  item: ITEM_RIGHTS,
  'hand-in': { relations: ['self', 'asked', 'reports'], knownBy: ['hand-in.read'] },
  'check-in': { relations: ['self', 'asked'], knownBy: ['check-in.answer'] },
  bank: { relations: ['own'], knownBy: ['bank.use'] },
  'quiz-attempt': { relations: ['self', 'asked', 'reports'], knownBy: ['attempt.see'] },
  /** Sound or video on its way here. */
  clip: { relations: ['self'], knownBy: ['clip.send'] },
  /** A file that somebody has had made of guides. */
  export: { relations: ['self'], knownBy: ['export.use'] },
  person: { relations: ['self', 'reports', 'here'], knownBy: ['person.see', 'records.person'] },
} as const satisfies Record<string, ThingRights>
/** A kind of thing that rights are asked for. */
export type Thing = keyof typeof THINGS
/** How somebody may stand to a kind of thing. */
export type RelationTo<T extends Thing> = (typeof THINGS)[T]['relations'][number]
