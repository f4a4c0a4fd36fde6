import { ApplicationId, Instant } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

/** What an application that is connected may do: tell what people did in it. */
export const ApplicationScope = z.enum(['acts.tell'])
/** Read by {@link ApplicationScope}. */
export type ApplicationScope = z.infer<typeof ApplicationScope>
const Name = z.string().check(z.trim(), z.minLength(1, 'Give it a name'), z.maxLength(100))
/** An application that is connected, in the name of somebody: when they may no more, neither may it. `usedAt`: when it last called, to the minute. */
export const Application = z.object({
  id: ApplicationId,
  name: Name,
  scopes: z.array(ApplicationScope),
  owner: PersonRef,
  madeAt: z.int(),
  usedAt: z.nullable(z.int()),
})
/** Read by {@link Application}. */
export type Application = z.infer<typeof Application>

/** The applications that are connected, by name. */
export const listApplications = endpoint({
  method: 'get',
  path: '/api/applications',
  access: { may: 'application.manage' },
  response: z.array(Application),
  problems: [],
})
/** Connects an application in the name of the caller. Its token is told this once, and kept as its hash only. */
export const connectApplication = endpoint({
  method: 'post',
  path: '/api/applications',
  access: { may: 'application.manage' },
  body: z.object({ name: Name, scopes: z.array(ApplicationScope).check(z.minLength(1), z.maxLength(ApplicationScope.options.length)) }),
  response: z.object({ id: ApplicationId, token: z.string() }),
  problems: ['invalid'],
})
/** Takes the token of an application back: from then on it may do nothing. What it told stays. */
export const disconnectApplication = endpoint({
  method: 'delete',
  path: '/api/applications/:applicationId',
  access: { may: 'application.manage' },
  params: z.object({ applicationId: ApplicationId }),
  problems: ['not-found'],
})

/** What an act is called: letters, figures and hyphens. */
export const ActName = z.string().check(z.regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'Small letters, figures and hyphens, at most 60'))
const MOST_ACTS = 500
/** Something that somebody did in an application. `id`: chosen by the application, so that an act that is told twice counts once. `person`: their mail address or personnel number. */
export const Act = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(100)),
  person: z.string().check(z.trim(), z.minLength(1), z.maxLength(320)),
  name: ActName,
  at: Instant,
})
/** Read by {@link Act}. */
export type Act = z.infer<typeof Act>
/** Tells what people did, as a connected application claims it: `Authorization: Bearer <token>`. Each act is answered for itself; what is refused names its place in the list. A time that lies
 * ahead is taken to be now. */
export const tellActs = endpoint({
  method: 'post',
  path: '/api/connected/acts',
  access: { may: 'application.manage', by: 'application' },
  body: z.object({ acts: z.array(Act).check(z.minLength(1), z.maxLength(MOST_ACTS)) }),
  response: z.object({ taken: z.int(), refused: z.array(z.object({ at: z.int(), id: z.string(), why: z.enum(['unknown-person']) })) }),
  problems: ['unknown-token', 'invalid'],
})
/** The acts that have been told of, by name, with how often. */
export const listActNames = endpoint({
  method: 'get',
  path: '/api/act-names',
  access: { may: 'records.list' },
  response: z.array(z.object({ name: ActName, times: z.int() })),
  problems: [],
})
