import { Language, Level, Permission } from '@jackdaw/core/people'
import { GroupId, GroupKindId, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { SignIn } from './signIn'

/** A person as others see them in lists. */
export const PersonRef = z.object({ id: PersonId, name: z.string() })
/** Read by {@link PersonRef}. */
export type PersonRef = z.infer<typeof PersonRef>

/** The person who is signed in. `csrf` goes into the header `x-csrf-token` of every request that changes something. */
export const Me = z.object({
  id: PersonId,
  name: z.string(),
  level: Level,
  permissions: z.array(Permission),
  hasReports: z.boolean(),
  company: z.string(),
  /** Whether the company has only begun, and this person may lead it on. */
  begins: z.boolean(),
  language: Language,
  /** Whether they read guides as one page rather than step by step. */
  readsAsPage: z.boolean(),
  /** Whether they came in with a password that was given to them, and have to choose one of their own before anything else. */
  passwordToChoose: z.boolean(),
  csrf: z.string(),
})
/** Read by {@link Me}. */
export type Me = z.infer<typeof Me>

/** Begins a session; a new one at every sign-in. */
export const signIn = endpoint({
  method: 'post',
  path: '/api/session',
  access: 'anyone',
  body: SignIn,
  response: Me,
  problems: ['wrong-credentials', 'too-many-tries'],
})
/** Ends the session. */
export const signOut = endpoint({ method: 'delete', path: '/api/session', access: { may: 'session.end' }, problems: [] })
/** Who is signed in; `null` when nobody is. */
export const getMe = endpoint({ method: 'get', path: '/api/session', access: 'anyone', response: z.nullable(Me), problems: [] })

/** Changes what is one's own to say: the language in which the pages speak, and how guides are read. */
export const changeMe = endpoint({
  method: 'patch',
  path: '/api/session',
  access: { may: 'self.change' },
  body: z.object({ language: z.optional(Language), readsAsPage: z.optional(z.boolean()) }),
  problems: ['invalid'],
})

/** People by a part of their name, at most 200; `writers` leaves only those who may write guides. */
export const findPeople = endpoint({
  method: 'get',
  path: '/api/people',
  access: { may: 'people.look-up' },
  query: z.object({ find: z.optional(z.string().check(z.maxLength(100))), writers: z.optional(z.enum(['yes', 'no'])) }),
  response: z.array(z.object({ id: PersonId, name: z.string(), site: z.string(), department: z.string(), mayWrite: z.boolean() })),
  problems: [],
})

/** A group in lists: its kind, its name and how many people are in it. */
export const GroupRef = z.object({ id: GroupId, kind: GroupKindId, kindName: z.string(), name: z.string(), people: z.int() })
/** Read by {@link GroupRef}. */
export type GroupRef = z.infer<typeof GroupRef>
/** The groups that there are, by kind and name. */
export const listGroups = endpoint({
  method: 'get',
  path: '/api/groups',
  access: { may: 'people.look-up' },
  response: z.array(GroupRef),
  problems: [],
})
