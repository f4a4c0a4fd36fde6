import { AudienceRule } from '@jackdaw/core/audiences'
import { ItemRef } from '@jackdaw/core/items'
import { AudienceId, GroupId, GroupKindId, Instant, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

/** Who is meant: by a rule of its own, or an audience that is saved under a name. */
export const AudienceChoice = z.union([z.object({ saved: AudienceId }), AudienceRule])
/** Read by {@link AudienceChoice}. */
export type AudienceChoice = z.infer<typeof AudienceChoice>

/** What the groups and people are called that a rule speaks of. A closed group has nobody in it any more. */
export const NamesOfRule = z.object({
  groups: z.array(z.object({ id: GroupId, kind: GroupKindId, kindName: z.string(), name: z.string(), closed: z.boolean() })),
  people: z.array(z.object({ id: PersonId, name: z.string(), active: z.boolean() })),
})
/** Read by {@link NamesOfRule}. */
export type NamesOfRule = z.infer<typeof NamesOfRule>

/** An audience as it is shown where it is chosen. `saved` is `null` for a rule of its own. */
export const AudienceShown = z.object({
  choice: AudienceChoice,
  rule: AudienceRule,
  name: z.nullable(z.string()),
  sentence: z.string(),
  names: NamesOfRule,
})
/** Read by {@link AudienceShown}. */
export type AudienceShown = z.infer<typeof AudienceShown>

const AudienceName = z.string().check(z.trim(), z.minLength(1, 'Give the audience a name'), z.maxLength(120))
/** What an audience is called and who belongs to it. */
export const AudienceSaving = z.object({ name: AudienceName, about: z.string().check(z.trim(), z.maxLength(500)), rule: AudienceRule })
/** Read by {@link AudienceSaving}. */
export type AudienceSaving = z.infer<typeof AudienceSaving>

/** A saved audience in the list. `usedBy`: how many items it is used for. */
export const AudienceRow = z.object({
  id: AudienceId,
  name: z.string(),
  about: z.string(),
  sentence: z.string(),
  people: z.int(),
  usedBy: z.int(),
  changedAt: Instant,
})
/** Read by {@link AudienceRow}. */
export type AudienceRow = z.infer<typeof AudienceRow>

/** The saved audiences, by name. */
export const listAudiences = endpoint({
  method: 'get',
  path: '/api/audiences',
  access: { may: 'audience.use' },
  response: z.array(AudienceRow),
  problems: [],
})
const audience = z.object({ audienceId: AudienceId })
/** One saved audience: its rule, and where it is used. */
export const getAudience = endpoint({
  method: 'get',
  path: '/api/audiences/:audienceId',
  access: { may: 'audience.use' },
  params: audience,
  response: z.object({
    ...AudienceShown.shape,
    id: AudienceId,
    name: z.string(),
    about: z.string(),
    people: z.int(),
    createdBy: PersonRef,
    changedAt: Instant,
    usedBy: z.array(z.object({ item: ItemRef, number: z.int(), title: z.string() })),
  }),
  problems: ['not-found'],
})
/** Saves a new audience. */
export const createAudience = endpoint({
  method: 'post',
  path: '/api/audiences',
  access: { may: 'audience.change' },
  body: AudienceSaving,
  response: z.object({ id: AudienceId }),
  problems: ['invalid', 'already-taken'],
})
/** Changes an audience: whoever comes to belong to it is given what it is given, whoever ceases to loses it. */
export const changeAudience = endpoint({
  method: 'put',
  path: '/api/audiences/:audienceId',
  access: { may: 'audience.change' },
  params: audience,
  body: AudienceSaving,
  problems: ['not-found', 'invalid', 'already-taken'],
})
/** Takes an audience out of the list. While something uses it, it stays. */
export const archiveAudience = endpoint({
  method: 'delete',
  path: '/api/audiences/:audienceId',
  access: { may: 'audience.change' },
  params: audience,
  problems: ['not-found', 'audience-in-use'],
})

/** How many people an audience takes in, the first 200 by name, and what is odd about the rule.
 * `everybody`: everybody who works here is in it; `gone`: it speaks of groups that were closed or people who left. */
export const tryAudience = endpoint({
  method: 'post',
  path: '/api/audiences/people',
  access: { may: 'audience.use' },
  body: z.object({ audience: AudienceChoice, find: z.optional(z.string().check(z.maxLength(100))) }),
  response: z.object({
    total: z.int(),
    found: z.int(),
    everybody: z.int(),
    people: z.array(z.object({ ...PersonRef.shape, site: z.string(), jobTitle: z.string() })),
    sentence: z.string(),
    names: NamesOfRule,
    gone: z.array(z.string()),
  }),
  problems: ['invalid'],
})
/** Why somebody belongs to an audience, or does not: each part in words, whether it holds, and whether it is what decided. */
export const explainAudience = endpoint({
  method: 'post',
  path: '/api/audiences/explanation',
  access: { may: 'audience.use' },
  body: z.object({ audience: AudienceChoice, personId: PersonId }),
  response: z.object({
    name: z.string(),
    belongs: z.boolean(),
    excepted: z.boolean(),
    /** Whether somebody who works here is asked about; who does not belongs to no audience. */
    active: z.boolean(),
    join: z.enum(['all', 'any']),
    parts: z.array(z.object({ words: z.string(), holds: z.boolean(), decides: z.boolean() })),
  }),
  problems: ['invalid'],
})
/** Reads a sentence as audiences are said in; or says what cannot be read, and at which character. */
export const readAudience = endpoint({
  method: 'post',
  path: '/api/audiences/sentence',
  access: { may: 'audience.use' },
  body: z.object({ sentence: z.string().check(z.maxLength(20_000)) }),
  response: z.union([z.object({ rule: AudienceRule, names: NamesOfRule }), z.object({ at: z.int(), expected: z.string() })]),
  problems: [],
})

/** What the members of a group are given because they are in it, as far as the asker may see it, and the saved audiences that speak of it. */
export const getGivenToGroup = endpoint({
  method: 'get',
  path: '/api/groups/:groupId/given',
  access: { may: 'directory.read' },
  params: z.object({ groupId: GroupId }),
  response: z.object({
    items: z.array(z.object({ item: ItemRef, number: z.int(), title: z.string() })),
    audiences: z.array(z.object({ id: AudienceId, name: z.string() })),
  }),
  problems: ['not-found'],
})
