import { Level, Permission, PERSON_LIMITS } from '@jackdaw/core/people'
import { GroupId, GroupKindId, GuideId, LocalDate, PersonId, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint, WholeInAddress } from './endpoint'
import { PersonRef } from './people'

/** A picture of somebody: which one is shown changes with it, so that browsers may keep each; `null` where there is none. */
const Face = z.nullable(z.string())

/** Somebody as the directory lists them. Mail and telephone are `null` where the company does not show them, or there is none. */
export const DirectoryRow = z.object({
  ...PersonRef.shape,
  face: Face,
  jobTitle: z.string(),
  site: z.string(),
  groups: z.array(z.object({ id: GroupId, kind: GroupKindId, name: z.string() })),
  manager: z.nullable(PersonRef),
  mail: z.nullable(z.string()),
  telephone: z.nullable(z.string()),
  /** Last day of an absence that has begun. */
  awayUntil: z.nullable(LocalDate),
})
/** Read by {@link DirectoryRow}. */
export type DirectoryRow = z.infer<typeof DirectoryRow>

/** So many people stand on a page of the directory. */
export const DIRECTORY_PAGE = 60
/** So many stand on one list for paper. */
export const DIRECTORY_ON_PAPER = 2_000
/** So many of those who are found by words are counted: whoever finds more says more. */
export const MOST_FOUND = 1_000
/** Those who work here, by name: found by parts of name, job title, number or mail address, and by group.
 * `more`: there are more than `total`, which were not counted. `all`: not a page of them but, for paper, the first {@link DIRECTORY_ON_PAPER}. */
export const getDirectory = endpoint({
  method: 'get',
  path: '/api/directory',
  access: { may: 'directory.read' },
  query: z.object({
    find: z.optional(z.string().check(z.maxLength(100))),
    group: z.optional(GroupId),
    all: z.optional(z.literal('yes')),
    page: z.optional(WholeInAddress.check(z.minimum(1), z.maximum(10_000))),
  }),
  response: z.object({ rows: z.array(DirectoryRow), total: z.int(), more: z.boolean() }),
  problems: [],
})

const person = z.object({ id: PersonId })
/** That somebody is away, from a day until a day, both included. */
export const Absence = z.object({ from: LocalDate, until: LocalDate })
/** Read by {@link Absence}. */
export type Absence = z.infer<typeof Absence>
const Span = z.object({
  group: z.object({ id: GroupId, kind: GroupKindId, kindName: z.string(), name: z.string(), closed: z.boolean() }),
  since: LocalDate,
  until: z.nullable(LocalDate),
})
/** What somebody has to do in a role or group, with the guides that tell how, as far as the reader may see them. `gap`: there is none at all. */
export const DutyShown = z.object({
  title: z.string(),
  about: z.string(),
  group: z.object({ id: GroupId, name: z.string() }),
  guides: z.array(z.object({ id: GuideId, title: z.string() })),
  gap: z.boolean(),
})
/** Read by {@link DutyShown}. */
export type DutyShown = z.infer<typeof DutyShown>

/** What else is known of somebody to those who may change people. */
export const ManagedFacts = z.object({
  mail: z.nullable(z.string()),
  telephone: z.string(),
  number: z.nullable(z.string()),
  level: Level,
  permissions: z.array(Permission),
  siteId: GroupId,
  startedOn: z.nullable(LocalDate),
  hasPassword: z.boolean(),
})
/** Read by {@link ManagedFacts}. */
export type ManagedFacts = z.infer<typeof ManagedFacts>

/** One person's page. `managed`: only for those who may change or invite them. */
export const PersonShown = z.object({
  ...PersonRef.shape,
  face: Face,
  active: z.boolean(),
  jobTitle: z.string(),
  mail: z.nullable(z.string()),
  telephone: z.nullable(z.string()),
  manager: z.nullable(PersonRef),
  reports: z.array(z.object({ ...PersonRef.shape, jobTitle: z.string(), face: Face })),
  groups: z.array(Span),
  past: z.array(Span),
  /** Those that are not over yet. */
  absences: z.array(Absence),
  duties: z.array(DutyShown),
  mayChange: z.boolean(),
  mayInvite: z.boolean(),
  mayGivePassword: z.boolean(),
  maySayAway: z.boolean(),
  maySeeRecords: z.boolean(),
  managed: z.nullable(ManagedFacts),
})
/** Read by {@link PersonShown}. */
export type PersonShown = z.infer<typeof PersonShown>
/** One person, as far as the reader may see them. Who left is seen by those who may change people or see their records. */
export const getPerson = endpoint({
  method: 'get',
  path: '/api/directory/:id',
  access: { may: 'person.see', over: 'person' },
  params: person,
  response: PersonShown,
  problems: [],
})

const PersonName = z
  .string()
  .check(z.trim(), z.minLength(1, 'Enter a name'), z.maxLength(PERSON_LIMITS.name, 'A name has at most 300 letters'))
const MailAddress = z.nullable(
  z.string().check(z.trim(), z.maxLength(PERSON_LIMITS.mail), z.regex(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, 'This is no mail address')),
)
const PersonNumber = z.nullable(z.string().check(z.trim(), z.minLength(1), z.maxLength(PERSON_LIMITS.number)))
const Telephone = z.string().check(z.trim(), z.maxLength(PERSON_LIMITS.telephone))
/** What is said of somebody who is added or changed. */
export const PersonFields = z.object({
  name: PersonName,
  mail: MailAddress,
  number: PersonNumber,
  jobTitle: z.string().check(z.trim(), z.maxLength(PERSON_LIMITS.jobTitle)),
  telephone: Telephone,
  startedOn: z.nullable(LocalDate),
  siteId: GroupId,
  managerId: z.nullable(PersonId),
  groups: z.array(GroupId).check(z.maxLength(200)),
  level: Level,
})
/** Read by {@link PersonFields}. */
export type PersonFields = z.infer<typeof PersonFields>
const refusals = ['invalid', 'already-taken', 'beyond-own-rights', 'reports-in-a-circle', 'last-admin'] as const

/** Adds somebody. Who may only invite can add those who report to them. */
export const addPerson = endpoint({
  method: 'post',
  path: '/api/directory',
  access: { may: 'person.add' },
  body: PersonFields,
  response: z.object({ id: PersonId }),
  problems: refusals,
})
/** Changes what is said of somebody; only what is given changes. */
export const changePerson = endpoint({
  method: 'patch',
  path: '/api/directory/:id',
  access: { may: 'person.change', over: 'person' },
  params: person,
  body: z.object({ ...z.partial(PersonFields).shape, permissions: z.optional(z.array(Permission).check(z.maxLength(20))) }),
  problems: refusals,
})
/** How much somebody has that would be handed over when they leave: guides with drafts, and people who report to them. */
export const getHoldings = endpoint({
  method: 'get',
  path: '/api/directory/:id/holdings',
  access: { may: 'person.change', over: 'person' },
  params: person,
  response: z.object({ guides: z.int(), reports: z.int() }),
  problems: [],
})
/** When somebody is away from now on, all of it; what is over stays as it is. */
export const saveAbsences = endpoint({
  method: 'put',
  path: '/api/directory/:id/absences',
  access: { may: 'person.absence', over: 'person' },
  params: person,
  body: z.object({ absences: z.array(Absence).check(z.maxLength(50)) }),
  problems: ['invalid'],
})
/** Somebody leaves: they lose access with their next request; whoever reported to them reports to `reportsTo` from now on. What they wrote goes to
 * `guidesTo`; without it they stay its owner. */
export const leavePerson = endpoint({
  method: 'post',
  path: '/api/directory/:id/leaving',
  access: { may: 'person.change', over: 'person' },
  params: person,
  body: z.object({ reportsTo: z.nullable(PersonId), guidesTo: z.optional(z.nullable(PersonId)) }),
  problems: refusals,
})
/** Somebody returns, into the groups named, and gets back what they had handed over as far as it is still where it went. */
export const returnPerson = endpoint({
  method: 'post',
  path: '/api/directory/:id/return',
  access: { may: 'person.change', over: 'person' },
  params: person,
  body: z.object({ siteId: GroupId, groups: z.array(GroupId).check(z.maxLength(200)), managerId: z.nullable(PersonId) }),
  problems: refusals,
})

/** Changes what everybody says of themselves. */
export const changeMyFacts = endpoint({
  method: 'patch',
  path: '/api/my-facts',
  access: { may: 'self.change' },
  body: z.object({ telephone: Telephone }),
  problems: ['invalid'],
})
/** Largest picture of a face that is taken, in bytes. */
export const MOST_FACE_BYTES = 10 * 1024 * 1024
/** Sets one's own picture. */
export const setMyFace = endpoint({
  method: 'put',
  path: '/api/my-facts/face',
  access: { may: 'self.change' },
  bytes: { types: ['image/png', 'image/jpeg', 'image/webp'], maxBytes: MOST_FACE_BYTES },
  problems: ['not-a-picture', 'too-large'],
})
/** Removes it. */
export const dropMyFace = endpoint({ method: 'delete', path: '/api/my-facts/face', access: { may: 'self.change' }, problems: [] })
/** The picture of somebody. */
export const getFace = endpoint({
  method: 'get',
  path: '/people/:id/face',
  access: { may: 'person.see', over: 'person' },
  params: person,
  file: true,
  problems: ['not-found'],
})

/** What the company shows everybody of its people. */
export const DirectorySettings = z.object({ mail: z.boolean(), telephone: z.boolean() })
/** Read by {@link DirectorySettings}. */
export type DirectorySettings = z.infer<typeof DirectorySettings>
/** What is shown. */
export const getDirectorySettings = endpoint({
  method: 'get',
  path: '/api/directory-settings',
  access: { may: 'directory.read' },
  response: DirectorySettings,
  problems: [],
})
/** Says what is shown. */
export const saveDirectorySettings = endpoint({
  method: 'put',
  path: '/api/directory-settings',
  access: { may: 'company.change' },
  body: DirectorySettings,
  problems: ['invalid'],
})

/** Everybody who works here by “reports to”. Each row: id, name, job title, and the place of the manager in the list, -1 for none; managers come
 * before those who report to them. `left`: how many are not in it because there are too many. */
export const getOrgChart = endpoint({
  method: 'get',
  path: '/api/org-chart',
  access: { may: 'directory.read' },
  response: z.object({ people: z.array(z.tuple([PersonId, z.string(), z.string(), z.int()])), left: Whole }),
  problems: [],
})
/** The org chart as a PDF. `open`: whose reports are shown. */
export const getOrgChartPdf = endpoint({
  method: 'post',
  path: '/api/org-chart.pdf',
  access: { may: 'directory.read' },
  body: z.object({ open: z.array(PersonId).check(z.maxLength(20_000)) }),
  maxBytes: 1024 * 1024,
  file: true,
  problems: [],
})
