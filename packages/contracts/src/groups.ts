import { GroupId, GroupKindId, GuideId, idOf, LocalDate, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { DutyShown } from './directory'
import { endpoint, WholeInAddress } from './endpoint'
import { PersonRef } from './people'

/** Id of a duty. */
export const DutyId = idOf('duty')
/** Read by {@link DutyId}. */
export type DutyId = z.infer<typeof DutyId>

/** A kind of groups. */
export const GroupKind = z.object({ id: GroupKindId, name: z.string(), builtIn: z.boolean() })
/** Read by {@link GroupKind}. */
export type GroupKind = z.infer<typeof GroupKind>
/** The kinds of groups: those that every company has, and its own. */
export const listGroupKinds = endpoint({
  method: 'get',
  path: '/api/group-kinds',
  access: { may: 'directory.read' },
  response: z.array(GroupKind),
  problems: [],
})
/** What a kind of groups is called; a bracket would end it in the sentences in which it stands. */
export const GroupKindNaming = z.object({
  name: z
    .string()
    .check(z.trim(), z.minLength(1, 'Give the kind a name'), z.maxLength(60), z.regex(/^[^()]*$/, 'No brackets in it, please')),
})
/** Makes a kind of groups of the company's own. */
export const addGroupKind = endpoint({
  method: 'post',
  path: '/api/group-kinds',
  access: { may: 'group.change' },
  body: GroupKindNaming,
  response: z.object({ id: GroupKindId }),
  problems: ['invalid', 'already-taken'],
})

const isZone = (zone: string): boolean => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}
/** What a group is said to be. `zone`: the time zone (IANA) of a site, `null` for every other group. */
export const GroupFields = z.object({
  name: z.string().check(z.trim(), z.minLength(1, 'Give the group a name'), z.maxLength(120)),
  about: z.string().check(z.trim(), z.maxLength(2_000)),
  zone: z.nullable(z.string().check(z.maxLength(60), z.refine(isZone, 'There is no such time zone'))),
  leaderId: z.nullable(PersonId),
})
/** Read by {@link GroupFields}. */
export type GroupFields = z.infer<typeof GroupFields>

/** A group in the list of all; `duties` and `gaps`: how many it has, and of how many no guide tells how. */
export const GroupRow = z.object({
  id: GroupId,
  kind: GroupKindId,
  kindName: z.string(),
  name: z.string(),
  leader: z.nullable(PersonRef),
  people: z.int(),
  /** The first of them by name. */
  some: z.array(PersonRef),
  duties: z.int(),
  gaps: z.int(),
})
/** Read by {@link GroupRow}. */
export type GroupRow = z.infer<typeof GroupRow>
/** All groups that there are, by kind and name. */
export const listGroupRows = endpoint({
  method: 'get',
  path: '/api/group-list',
  access: { may: 'directory.read' },
  response: z.array(GroupRow),
  problems: [],
})

const group = z.object({ groupId: GroupId })
/** A duty as it is written. */
export const Duty = z.object({
  id: DutyId,
  title: z.string().check(z.trim(), z.minLength(1, 'Say what the duty is'), z.maxLength(200)),
  about: z.string().check(z.trim(), z.maxLength(1_000)),
  guides: z.array(GuideId).check(z.maxLength(50)),
})
/** Read by {@link Duty}. */
export type Duty = z.infer<typeof Duty>

/** So many members stand on a page of a group. */
export const MEMBERS_PAGE = 100
/** A group's page: what it is, who leads it and is in it, and its duties. */
export const getGroup = endpoint({
  method: 'get',
  path: '/api/groups/:groupId',
  access: { may: 'directory.read' },
  params: group,
  query: z.object({ page: z.optional(WholeInAddress.check(z.minimum(1), z.maximum(10_000))) }),
  response: z.object({
    id: GroupId,
    kind: GroupKindId,
    kindName: z.string(),
    name: z.string(),
    about: z.string(),
    zone: z.nullable(z.string()),
    closedOn: z.nullable(LocalDate),
    leader: z.nullable(PersonRef),
    people: z.int(),
    members: z.array(z.object({ ...PersonRef.shape, face: z.nullable(z.string()), jobTitle: z.string(), since: LocalDate })),
    duties: z.array(z.object({ id: DutyId, ...DutyShown.shape })),
    mayChange: z.boolean(),
  }),
  problems: ['not-found'],
})
/** Makes a group. */
export const addGroup = endpoint({
  method: 'post',
  path: '/api/groups',
  access: { may: 'group.change' },
  body: z.object({ kind: GroupKindId, ...GroupFields.shape }),
  response: z.object({ id: GroupId }),
  problems: ['invalid', 'already-taken'],
})
/** Changes what a group is said to be. */
export const changeGroup = endpoint({
  method: 'put',
  path: '/api/groups/:groupId',
  access: { may: 'group.change' },
  params: group,
  body: GroupFields,
  problems: ['not-found', 'invalid', 'already-taken', 'group-closed'],
})
/** Puts people into a group and takes others out. */
export const changeMembers = endpoint({
  method: 'post',
  path: '/api/groups/:groupId/members',
  access: { may: 'group.change' },
  params: group,
  body: z.object({ join: z.array(PersonId).check(z.maxLength(2_000)), leave: z.array(PersonId).check(z.maxLength(2_000)) }),
  problems: ['not-found', 'invalid', 'group-closed', 'site-in-use'],
})
/** Closes a group; the people of a site go to another one. */
export const closeGroup = endpoint({
  method: 'post',
  path: '/api/groups/:groupId/closing',
  access: { may: 'group.change' },
  params: group,
  body: z.object({ moveTo: z.nullable(GroupId) }),
  problems: ['not-found', 'invalid', 'site-in-use'],
})
/** Most duties of one group. */
export const MOST_DUTIES = 200
/** Writes the duties of a group, all of them in their order. */
export const saveDuties = endpoint({
  method: 'put',
  path: '/api/groups/:groupId/duties',
  access: { may: 'group.change' },
  params: group,
  body: z.object({ duties: z.array(Duty).check(z.maxLength(MOST_DUTIES)) }),
  problems: ['not-found', 'invalid', 'group-closed'],
})
