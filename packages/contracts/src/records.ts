import { AnyItemId, ItemRef, ItemState } from '@jackdaw/core/items'
import { CautionLevel } from '@jackdaw/core/guides'
import { Way, waysWhere } from '@jackdaw/core/ways'
import { GroupId, GuideId, LocalDate, PersonId, StepId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { SoloResult } from './players'

const guide = z.object({ id: GuideId })
const item = z.object({ id: AnyItemId })
const person = z.object({ id: PersonId })
const page = z.optional(z.coerce.number().check(z.int(), z.minimum(1), z.maximum(100_000)))

/** Which people are shown; what is absent leaves nobody out. */
const among = { department: z.optional(GroupId), site: z.optional(GroupId), team: z.optional(GroupId) }
const find = z.optional(z.string().check(z.maxLength(100)))
const Named = <I extends z.ZodMiniType>(id: I) => z.object({ id, name: z.string() })

/** The departments, sites and teams of the people whose records the asker may see. */
export const listRecordGroups = endpoint({
  method: 'get',
  path: '/api/records/groups',
  access: { may: 'records.list' },
  response: z.object({ departments: z.array(Named(GroupId)), sites: z.array(Named(GroupId)), teams: z.array(Named(GroupId)) }),
  problems: [],
})

/** How many people had been given an item, had begun and had finished it in an edition that counts, at the end of each day (of the asker's
 * zone), or of each week where there would be more than 200. */
export const getOverTime = endpoint({
  method: 'get',
  path: '/api/items/:id/records/over-time',
  access: { may: 'records.item', over: 'item' },
  params: item,
  query: z.object(among),
  response: z.object({ days: z.array(z.object({ day: LocalDate, given: z.int(), begun: z.int(), done: z.int() })) }),
  problems: ['invalid', 'not-found'],
})

/** What waits for somebody who leads, or to whom people report. `latePeople`: how many of those whose records they may see are late with
 * something. The drafts are those of the whole company, for whoever may edit all; `parts`: how many of a draft's steps and sections are
 * flagged as not ready. */
export const WaitingHere = z.object({
  everybody: z.boolean(),
  latePeople: z.int(),
  notReady: z.array(z.object({ id: GuideId, title: z.string(), parts: z.int() })),
  clashes: z.array(z.object({ id: GuideId, title: z.string(), personId: PersonId, person: z.string(), count: z.int() })),
})
/** Read by {@link WaitingHere}. */
export type WaitingHere = z.infer<typeof WaitingHere>
/** What waits in the company, or among those who report to the asker. */
export const getWaitingHere = endpoint({
  method: 'get',
  path: '/api/records/waiting',
  access: { may: 'records.list' },
  response: WaitingHere,
  problems: [],
})

/** How many people are in which state; the states add up to `people`. */
export const Counts = z.object({
  people: z.int(),
  done: z.int(),
  inProgress: z.int(),
  notStarted: z.int(),
  dueSoon: z.int(),
  late: z.int(),
  outOfDate: z.int(),
  /** Handed in, and not judged yet by whoever has to. */
  waiting: z.int(),
  waived: z.int(),
  /** Of those who are done, how many have only said so: the server cannot vouch for it. */
  claimed: z.int(),
})
/** Read by {@link Counts}. */
export type Counts = z.infer<typeof Counts>

/** An item with how far its people are. */
export const ItemRecord = z.object({
  item: ItemRef,
  number: z.int(),
  title: z.string(),
  edition: z.int(),
  counts: Counts,
  lastAt: z.nullable(z.int()),
})
/** Read by {@link ItemRecord}. */
export type ItemRecord = z.infer<typeof ItemRecord>
/** Items with how far their people are, those with the most late ones first. */
export const listItemRecords = endpoint({
  method: 'get',
  path: '/api/records/items',
  access: { may: 'records.list' },
  query: z.object({ page, ...among, state: z.optional(ItemState) }),
  response: z.object({ rows: z.array(ItemRecord), total: z.int(), pageSize: z.int() }),
  problems: ['invalid'],
})
/** A person with how far they are with their items. */
export const PersonRow = z.object({ id: PersonId, name: z.string(), site: z.string(), department: z.string(), counts: Counts })
/** Read by {@link PersonRow}. */
export type PersonRow = z.infer<typeof PersonRow>
/** People with how far they are, those with the most late items first. `manager`: only those who report to them directly. */
export const listPersonRecords = endpoint({
  method: 'get',
  path: '/api/records/people',
  access: { may: 'records.list' },
  query: z.object({ page, find, ...among, state: z.optional(ItemState), manager: z.optional(PersonId) }),
  response: z.object({ rows: z.array(PersonRow), total: z.int(), pageSize: z.int() }),
  problems: ['invalid'],
})

/** Every person and item that the lists show, as CSV: a line for each of both. */
export const getRecordsCsv = endpoint({
  method: 'get',
  path: '/api/records.csv',
  access: { may: 'records.list' },
  query: z.object({ find, ...among, state: z.optional(ItemState) }),
  file: true,
  problems: ['invalid'],
})

/** Ways in which the steps of a guide are counted one by one. */
export const StepWay = z.enum(waysWhere('counts', 'steps'))
/** Read by {@link StepWay}. */
export type StepWay = z.infer<typeof StepWay>

/** How a person has used a guide besides reading it; `null` for a way they have not used. `tries` are acts that were judged, `helped` the
 * steps at which help was taken. What is said of watching and practising is claimed by browsers; Solo is judged by the server. */
export const WaysUsed = z.object({
  watch: z.nullable(z.object({ begun: z.int(), finished: z.int(), lastAt: z.int() })),
  practise: z.nullable(z.object({ begun: z.int(), finished: z.int(), tries: z.int(), helped: z.int(), lastAt: z.int() })),
  solo: z.nullable(
    z.object({
      begun: z.int(),
      finished: z.int(),
      tries: z.int(),
      bestPercent: z.nullable(z.int()),
      /** Newest edition in which it was passed. */
      passedEdition: z.nullable(z.int()),
      passedAt: z.nullable(z.int()),
      lastAt: z.int(),
    }),
  ),
})
/** Read by {@link WaysUsed}. */
export type WaysUsed = z.infer<typeof WaysUsed>

/** What came of Solo for a person: passed in an edition that still counts, tried without passing, or not tried. */
export const SoloState = z.enum(['passed', 'not-passed', 'not-taken'])
/** Read by {@link SoloState}. */
export type SoloState = z.infer<typeof SoloState>

/** One person and one item: state, progress, time. Times are epoch milliseconds; `activeMs` leaves out silence over a minute. */
export const ProgressRecord = z.object({
  state: ItemState,
  /** Parts of the newest edition, and how many of them the person has gone through in one that counts. */
  parts: z.int(),
  seen: z.int(),
  activeMs: z.int(),
  dueOn: z.nullable(LocalDate),
  startedAt: z.nullable(z.int()),
  lastAt: z.nullable(z.int()),
  finishedAt: z.nullable(z.int()),
  finishedEdition: z.nullable(z.int()),
  /** Whether the server can vouch for it, see docs/security.md; otherwise it is what the browser said. */
  finishedAttested: z.boolean(),
  /** Why they need not do it, where that is so. */
  waivedWhy: z.nullable(z.string()),
  ways: WaysUsed,
})
/** Read by {@link ProgressRecord}. */
export type ProgressRecord = z.infer<typeof ProgressRecord>

/** How far one person is with an item, in the list of the item. */
export const PersonRecord = z.extend(ProgressRecord, {
  personId: PersonId,
  name: z.string(),
  site: z.string(),
  department: z.string(),
  /** Names of teams and roles, and the time zone of the primary site. */
  teams: z.array(z.string()),
  roles: z.array(z.string()),
  zone: z.string(),
  assigned: z.boolean(),
})
/** Read by {@link PersonRecord}. */
export type PersonRecord = z.infer<typeof PersonRecord>

/** Columns by which the people of a guide can be ordered. */
export const WhoSort = z.enum(['name', 'state', 'progress', 'time', 'last', 'due', 'finished'])
/** Read by {@link WhoSort}. */
export type WhoSort = z.infer<typeof WhoSort>

const whoFilter = {
  ...among,
  state: z.optional(ItemState),
  find,
  furthest: z.optional(StepId),
  solo: z.optional(SoloState),
  sort: z.optional(WhoSort),
  direction: z.optional(z.enum(['up', 'down'])),
}
/** The people of an item, a page of them. `furthest` leaves those who stopped at that step of a guide. */
export const getWhoFinished = endpoint({
  method: 'get',
  path: '/api/items/:id/who-finished',
  access: { may: 'records.item', over: 'item' },
  params: item,
  query: z.object({ page, ...whoFilter }),
  response: z.object({
    of: z.object({ item: ItemRef, number: z.int(), title: z.string(), edition: z.int(), mayEdit: z.boolean(), mayAssign: z.boolean() }),
    counts: Counts,
    /** Whether steps of the newest edition have cautions that are to be acknowledged. */
    hasCautions: z.boolean(),
    /** How many people have passed Solo, have tried without passing, have not taken it. */
    soloCounts: z.object({ passed: z.int(), notPassed: z.int(), notTaken: z.int() }),
    rows: z.array(PersonRecord),
    total: z.int(),
    pageSize: z.int(),
    onlyReports: z.boolean(),
  }),
  problems: ['invalid', 'not-found'],
})

/** A step with the people who reached it and those who stopped there; `activeMs` is the time of all of them. */
export const DropOffStep = z.object({
  stepId: StepId,
  position: z.int(),
  section: z.string(),
  name: z.string(),
  reached: z.int(),
  stoppedHere: z.int(),
  activeMs: z.int(),
})
/** Read by {@link DropOffStep}. */
export type DropOffStep = z.infer<typeof DropOffStep>
/** Where the readers of a guide stopped, by step of the newest edition. */
export const getDropOff = endpoint({
  method: 'get',
  path: '/api/guides/:id/drop-off',
  access: { may: 'records.item', over: 'guide' },
  params: guide,
  response: z.object({ started: z.int(), finished: z.int(), since: z.nullable(z.int()), steps: z.array(DropOffStep) }),
  problems: ['not-found'],
})

/** A step with how it went in Practise or Solo: how often it was done, how often right at once, how often with help, how often not at all. */
export const WayStep = z.object({
  stepId: StepId,
  position: z.int(),
  section: z.string(),
  name: z.string(),
  people: z.int(),
  times: z.int(),
  rightFirst: z.int(),
  tries: z.int(),
  helped: z.int(),
  failed: z.int(),
})
/** Read by {@link WayStep}. */
export type WayStep = z.infer<typeof WayStep>
/** How the steps of the newest edition went in Practise or Solo. */
export const getWaySteps = endpoint({
  method: 'get',
  path: '/api/guides/:id/way-steps/:way',
  access: { may: 'records.item', over: 'guide' },
  params: z.object({ id: GuideId, way: StepWay }),
  response: z.object({ people: z.int(), steps: z.array(WayStep) }),
  problems: ['not-found'],
})

/** The people of an item as CSV: all that the list shows, in its order. */
export const getWhoFinishedCsv = endpoint({
  method: 'get',
  path: '/api/items/:id/who-finished.csv',
  access: { may: 'records.item', over: 'item' },
  params: item,
  query: z.object(whoFilter),
  file: true,
  problems: ['not-found'],
})

/** That somebody has acknowledged the cautions of a step in one way of use: in which edition last, when first and last, how often, and whether
 * the server itself has seen it. */
export const Acknowledged = z.object({
  way: Way,
  edition: z.int(),
  firstAt: z.int(),
  lastAt: z.int(),
  times: z.int(),
  attested: z.boolean(),
})
/** Read by {@link Acknowledged}. */
export type Acknowledged = z.infer<typeof Acknowledged>
const cautioned = { stepId: StepId, position: z.int(), step: z.string(), level: CautionLevel, acknowledged: z.array(Acknowledged) }
/** A person and a step with cautions that are to be acknowledged. */
export const CautionRecord = z.object({ personId: PersonId, name: z.string(), site: z.string(), department: z.string(), ...cautioned })
/** Read by {@link CautionRecord}. */
export type CautionRecord = z.infer<typeof CautionRecord>
const cautionFilter = { ...among, find, step: z.optional(StepId), missing: z.optional(z.enum(['yes', 'no'])) }
/** Who has acknowledged the cautions of which step of the newest edition, and when: everybody who was given the guide or has used it.
 * `missing`: only where nothing was acknowledged in an edition that still counts. */
export const getCautionRecords = endpoint({
  method: 'get',
  path: '/api/guides/:id/caution-records',
  access: { may: 'records.item', over: 'guide' },
  params: guide,
  query: z.object({ page, ...cautionFilter }),
  response: z.object({
    guide: z.object({ id: GuideId, number: z.int(), title: z.string(), edition: z.int() }),
    steps: z.array(
      z.object({ stepId: StepId, position: z.int(), step: z.string(), level: CautionLevel, people: z.int(), acknowledged: z.int() }),
    ),
    rows: z.array(CautionRecord),
    total: z.int(),
    pageSize: z.int(),
  }),
  problems: ['invalid', 'not-found'],
})
/** The same as CSV, a line for each person, step and way of use. */
export const getCautionRecordsCsv = endpoint({
  method: 'get',
  path: '/api/guides/:id/caution-records.csv',
  access: { may: 'records.item', over: 'guide' },
  params: guide,
  query: z.object(cautionFilter),
  file: true,
  problems: ['invalid', 'not-found'],
})

/** How far one person is with an item, in the list of the person. `againOn`: when what is done is to be done again. */
export const PersonItem = z.extend(ProgressRecord, {
  item: ItemRef,
  number: z.int(),
  title: z.string(),
  edition: z.int(),
  assigned: z.boolean(),
  againOn: z.nullable(LocalDate),
})
/** Read by {@link PersonItem}. */
export type PersonItem = z.infer<typeof PersonItem>
/** The items of one person. */
export const getPersonRecords = endpoint({
  method: 'get',
  path: '/api/people/:id/records',
  access: { may: 'records.person', over: 'person' },
  params: person,
  response: z.object({
    person: z.object({ id: PersonId, name: z.string(), site: z.string(), department: z.string() }),
    rows: z.array(PersonItem),
  }),
  problems: [],
})
/** The items of one person as CSV. */
export const getPersonRecordsCsv = endpoint({
  method: 'get',
  path: '/api/people/:id/records.csv',
  access: { may: 'records.person', over: 'person' },
  params: person,
  file: true,
  problems: [],
})

/** What a person has done with one guide: every way, every attempt, every step that was practised or tested. */
export const getPersonGuide = endpoint({
  method: 'get',
  path: '/api/people/:id/records/:guideId',
  access: { may: 'records.person', over: 'person' },
  params: z.object({ id: PersonId, guideId: GuideId }),
  response: z.object({
    person: z.object({ id: PersonId, name: z.string(), site: z.string(), department: z.string() }),
    record: PersonItem,
    cautions: z.array(z.object(cautioned)),
    attempts: z.array(z.object({ number: z.int(), edition: z.int(), result: SoloResult })),
    steps: z.array(
      z.object({
        stepId: StepId,
        position: z.int(),
        section: z.string(),
        name: z.string(),
        way: StepWay,
        times: z.int(),
        rightFirst: z.int(),
        tries: z.int(),
        helped: z.int(),
        failed: z.int(),
      }),
    ),
  }),
  problems: ['not-found'],
})
