import { FirstStep } from '@jackdaw/core/beginning'
import { Look } from '@jackdaw/core/guides'
import { LineOfWorkId, PERSON_LIMITS } from '@jackdaw/core/people'
import { GroupId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { NewPassword } from './account'
import { endpoint } from './endpoint'
import { GroupFields } from './groups'

/** How many people a company has, about. */
export const CompanySize = z.enum(['1-20', '21-100', '101-500', 'more'])
/** Read by {@link CompanySize}. */
export type CompanySize = z.infer<typeof CompanySize>

/** What a company says of itself when it begins. */
export const CompanyFields = z.object({
  name: z.string().check(z.trim(), z.minLength(1, 'What is the company called?'), z.maxLength(120)),
  lineOfWork: z.nullable(LineOfWorkId),
  size: CompanySize,
})
/** Read by {@link CompanyFields}. */
export type CompanyFields = z.infer<typeof CompanyFields>

const SetUpToken = z.string().check(z.minLength(1), z.maxLength(100))
/** Whether a link holds by which a company is set up: once, while nobody is there. */
export const lookAtSetUp = endpoint({
  method: 'post',
  path: '/api/set-up/look',
  access: 'anyone',
  body: z.object({ token: SetUpToken }),
  problems: ['link-used-up'],
})
/** What is filled in when a company is set up. */
export const SetUp = z.object({
  token: SetUpToken,
  company: CompanyFields,
  look: z.object({ logo: Look.shape.logo, colour: Look.shape.colour }),
  site: z.object({ name: GroupFields.shape.name, zone: GroupFields.shape.zone }),
  admin: z.object({
    name: z.string().check(z.trim(), z.minLength(1, 'What is your name?'), z.maxLength(PERSON_LIMITS.name)),
    mail: z.string().check(z.trim(), z.maxLength(PERSON_LIMITS.mail), z.regex(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, 'This is no mail address')),
    password: NewPassword,
  }),
})
/** Read by {@link SetUp}. */
export type SetUp = z.infer<typeof SetUp>
/** Sets a company up: its name and look, its first site, its first admin. */
export const setUpCompany = endpoint({
  method: 'post',
  path: '/api/set-up',
  access: 'anyone',
  body: SetUp,
  maxBytes: 512 * 1024,
  problems: ['link-used-up', 'invalid', 'already-taken'],
})

/** How far a new company has come. `gone`: all of it is there, and nobody is led any more. */
export const getFirstSteps = endpoint({
  method: 'get',
  path: '/api/first-steps',
  access: { may: 'company.begin' },
  response: z.object({ steps: z.array(z.object({ step: FirstStep, done: z.boolean(), waits: z.array(FirstStep) })), gone: z.boolean() }),
  problems: [],
})

/** Takes a role that is common in a line of work, and one of its duties if one is named: what is there already stays as it is. */
export const takeSuggestion = endpoint({
  method: 'post',
  path: '/api/suggested-duties',
  access: { may: 'group.change' },
  body: z.object({
    lineOfWork: LineOfWorkId,
    role: z.string().check(z.maxLength(120)),
    duty: z.nullable(z.string().check(z.maxLength(120))),
  }),
  response: z.object({ role: GroupId }),
  problems: ['invalid'],
})
/** The company's line of work, if it has said one. */
export const getLineOfWork = endpoint({
  method: 'get',
  path: '/api/line-of-work',
  access: { may: 'directory.read' },
  response: z.object({ lineOfWork: z.nullable(LineOfWorkId) }),
  problems: [],
})
