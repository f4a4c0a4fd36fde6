import { Level, Permission } from '@jackdaw/core/people'
import { Instant, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

/** Shortest password that is taken. */
export const LEAST_PASSWORD = 10
/** A password that somebody chooses. */
export const NewPassword = z
  .string()
  .check(z.minLength(LEAST_PASSWORD, `At least ${LEAST_PASSWORD} characters`), z.maxLength(1_000, 'At most 1,000 characters'))

/** What changes one's own password. */
export const PasswordChange = z.object({
  current: z.string().check(z.minLength(1, 'Enter your present password'), z.maxLength(1_000)),
  next: NewPassword,
})
/** Changes one's own password; every other session of one's own ends. */
export const changeMyPassword = endpoint({
  method: 'post',
  path: '/api/my-password',
  access: { may: 'self.password' },
  body: PasswordChange,
  problems: ['invalid', 'wrong-credentials', 'too-many-tries'],
})

/** A link by which somebody chooses a password: an invitation, or because they have forgotten theirs. */
export const LinkKind = z.enum(['invitation', 'new-password'])
/** Read by {@link LinkKind}. */
export type LinkKind = z.infer<typeof LinkKind>
const Token = z.string().check(z.minLength(1), z.maxLength(100))
/** Whom a link is for, without using it. */
export const lookAtLink = endpoint({
  method: 'post',
  path: '/api/password-links/look',
  access: 'anyone',
  body: z.object({ kind: LinkKind, token: Token }),
  response: z.object({ name: z.string(), account: z.string(), company: z.string() }),
  problems: ['invalid', 'link-used-up'],
})
/** Chooses the password that a link is for. It holds once; one signs in with it next. */
export const choosePassword = endpoint({
  method: 'post',
  path: '/api/password-links',
  access: 'anyone',
  body: z.object({ kind: LinkKind, token: Token, password: NewPassword }),
  response: z.object({ account: z.string() }),
  problems: ['invalid', 'link-used-up'],
})
/** What one has forgotten the password of: mail address or personnel number. */
export const Forgotten = z.object({ account: z.string().check(z.trim(), z.minLength(1, 'Enter your mail address'), z.maxLength(254)) })
/** Mails a link to whoever has forgotten their password, if there is somebody with that mail address. The answer never tells. */
export const forgotPassword = endpoint({
  method: 'post',
  path: '/api/forgotten-passwords',
  access: 'anyone',
  body: Forgotten,
  problems: ['invalid', 'too-many-tries'],
})

/** A session of one's own: by which browser, since when, last used when. */
export const OwnSession = z.object({ id: z.string(), browser: z.string(), startedAt: Instant, usedAt: Instant, current: z.boolean() })
/** Read by {@link OwnSession}. */
export type OwnSession = z.infer<typeof OwnSession>
/** The sessions of one's own, the present one first. */
export const listMySessions = endpoint({
  method: 'get',
  path: '/api/my-sessions',
  access: { may: 'self.change' },
  response: z.array(OwnSession),
  problems: [],
})
/** Ends a session of one's own; without an id all but the present one. */
export const endMySessions = endpoint({
  method: 'post',
  path: '/api/my-sessions/end',
  access: { may: 'self.change' },
  body: z.object({ id: z.optional(z.string().check(z.maxLength(100))) }),
  response: z.object({ ended: z.int() }),
  problems: ['invalid'],
})

const person = z.object({ id: PersonId })
/** When an invitation leaves: at once, on an instant, or not yet. */
export const InvitationTime = z.union([z.literal('now'), z.literal('not-yet'), Instant])
/** Read by {@link InvitationTime}. */
export type InvitationTime = z.infer<typeof InvitationTime>
/** How an invitation stands. `sentAt`: when it was mailed last; `sendAt`: when it will be. */
export const Invitation = z.object({
  sendAt: z.nullable(Instant),
  sentAt: z.nullable(Instant),
  withdrawnAt: z.nullable(Instant),
  by: PersonRef,
})
/** Read by {@link Invitation}. */
export type Invitation = z.infer<typeof Invitation>
/** How the invitation of somebody stands; `null` when there never was one. */
export const getInvitation = endpoint({
  method: 'get',
  path: '/api/directory/:id/invitation',
  access: { may: 'person.invite', over: 'person' },
  params: person,
  response: z.object({ invitation: z.nullable(Invitation), mailed: z.boolean() }),
  problems: [],
})
/** Invites somebody, or says anew when the invitation leaves; a link that was sent before holds no more. */
export const invitePerson = endpoint({
  method: 'put',
  path: '/api/directory/:id/invitation',
  access: { may: 'person.invite', over: 'person' },
  params: person,
  body: z.object({ when: InvitationTime }),
  problems: ['invalid', 'no-mail-address', 'beyond-own-rights'],
})
/** Withdraws an invitation: the link holds no more. */
export const withdrawInvitation = endpoint({
  method: 'delete',
  path: '/api/directory/:id/invitation',
  access: { may: 'person.invite', over: 'person' },
  params: person,
  problems: ['beyond-own-rights'],
})
/** Gives somebody a password for the next time, told here once; with it they choose one of their own. All their sessions end. */
export const givePassword = endpoint({
  method: 'post',
  path: '/api/directory/:id/password',
  access: { may: 'person.password', over: 'person' },
  params: person,
  response: z.object({ password: z.string(), account: z.string() }),
  problems: ['no-account-name', 'beyond-own-rights'],
})

/** A change of somebody's rights. */
export const RightsChange = z.object({
  at: Instant,
  person: PersonRef,
  by: z.nullable(PersonRef),
  levelBefore: Level,
  levelAfter: Level,
  granted: z.array(Permission),
  withdrawn: z.array(Permission),
})
/** Read by {@link RightsChange}. */
export type RightsChange = z.infer<typeof RightsChange>
/** The changes of everybody's rights, newest first. */
export const listRightsChanges = endpoint({
  method: 'get',
  path: '/api/rights-changes',
  access: { may: 'company.change' },
  query: z.object({ before: z.optional(z.coerce.number().check(z.int(), z.minimum(0), z.maximum(7_258_118_400_000))) }),
  response: z.object({ rows: z.array(RightsChange), more: z.boolean() }),
  problems: [],
})
