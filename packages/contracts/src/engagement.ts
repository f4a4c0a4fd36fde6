import { COMPARISONS, FIGURES, UNITS } from '@jackdaw/core/engagement'
import { ALL_ITEM_KINDS, AnyItemId, ItemRef } from '@jackdaw/core/items'
import { FolderId, GroupId, GuideId, LocalDate, PersonId, ReleaseId, StepId } from '@jackdaw/core/shared'
import { Way } from '@jackdaw/core/ways'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

const page = z.optional(z.coerce.number().check(z.int(), z.minimum(1), z.maximum(100_000)))
const whole = z.int().check(z.minimum(0))

/** Of what is counted: of everything, or of one kind of item, one item, what one person owns, or a folder with all in it; and among which
 * people: one of them, or by the groups that they were in at the time. What is absent leaves nothing out. */
const scope = {
  kind: z.optional(z.enum(ALL_ITEM_KINDS)),
  item: z.optional(AnyItemId),
  owner: z.optional(PersonId),
  folder: z.optional(FolderId),
  person: z.optional(PersonId),
  department: z.optional(GroupId),
  site: z.optional(GroupId),
  team: z.optional(GroupId),
}
/** Days looked at, both included; at most twenty years. Absent: the last four weeks to today, in the zone of the asker. */
const span = { from: z.optional(LocalDate), to: z.optional(LocalDate) }
const Span = z.object({ from: LocalDate, to: LocalDate })
const Named = z.object({ id: PersonId, name: z.string() })
/** What is looked at: the days, the item, owner or person by name where one was asked for, and whether all people are counted, or those who report to
 * the asker. `kept`: since when it is kept who used what when, where earlier days are looked at; before it nobody's use is told of, and `null` where
 * all is. */
const Looked = {
  span: Span,
  kept: z.nullable(LocalDate),
  item: z.nullable(z.object({ ref: ItemRef, number: z.int(), title: z.string() })),
  owner: z.nullable(Named),
  person: z.nullable(Named),
  everybody: z.boolean(),
}

/** Figures by their names, see `FIGURES`. */
const AllFigures = z.object({
  views: whole,
  people: whole,
  newcomers: whole,
  finished: whole,
  guests: whole,
  written: whole,
  changed: whole,
  reached: whole,
})
const Counted = z.object({ span: Span, whole: AllFigures, periods: z.array(z.object({ span: Span, figures: AllFigures })) })
/** Figures of some days, and of the days with which they are compared; those have as many periods, each as long as the one it is compared
 * with. `unit`: what days were put together to, where those asked for would be more than 200. `together`: views and ends of days before `kept` are counted all the
 * same, but cannot be opened. */
export const UseOverTime = z.object({ ...Looked, together: z.boolean(), unit: z.enum(UNITS), now: Counted, before: z.nullable(Counted) })
/** Read by {@link UseOverTime}. */
export type UseOverTime = z.infer<typeof UseOverTime>
/** How much everything was used, period by period. */
export const getUseOverTime = endpoint({
  method: 'get',
  path: '/api/engagement/over-time',
  access: { may: 'records.list' },
  query: z.object({ ...span, ...scope, by: z.optional(z.enum(UNITS)), compare: z.optional(z.enum(COMPARISONS)) }),
  response: UseOverTime,
  problems: ['invalid', 'not-found'],
})

/** By what the list of what is used can be ordered. */
export const UsedSort = z.enum(['views', 'people', 'finishers', 'share', 'time', 'title', 'newest'])
/** Read by {@link UsedSort}. */
export type UsedSort = z.infer<typeof UsedSort>
/** An item with how much it was used. `finishers`: of the people who viewed it in these days, how many finished it in them; `minutesEach`: how
 * long a view takes on average, against `minutes`, what it is said to take; `since`: when it first came out, epoch milliseconds. */
export const UsedItem = z.object({
  item: ItemRef,
  number: z.int(),
  title: z.string(),
  views: whole,
  people: whole,
  finishers: whole,
  minutesEach: z.nullable(z.number()),
  minutes: whole,
  since: z.int(),
})
/** Read by {@link UsedItem}. */
export type UsedItem = z.infer<typeof UsedItem>
/** What is published, with how much it was used; what nobody used is there too. */
export const listUsedItems = endpoint({
  method: 'get',
  path: '/api/engagement/items',
  access: { may: 'records.list' },
  query: z.object({ ...span, ...scope, page, sort: z.optional(UsedSort), direction: z.optional(z.enum(['up', 'down'])) }),
  response: z.object({ ...Looked, rows: z.array(UsedItem), total: z.int(), pageSize: z.int() }),
  problems: ['invalid', 'not-found'],
})

/** By what the list of those who use things can be ordered. */
export const ReaderSort = z.enum(['name', 'views', 'things', 'finished', 'time'])
/** Read by {@link ReaderSort}. */
export type ReaderSort = z.infer<typeof ReaderSort>
/** Somebody who used something: how often, how many different things, how many times they finished one, and how long they spent. */
export const Reader = z.object({ person: Named, views: whole, things: whole, finished: whole, activeMs: whole })
/** Read by {@link Reader}. */
export type Reader = z.infer<typeof Reader>
/** Who used anything in these days. */
export const listReaders = endpoint({
  method: 'get',
  path: '/api/engagement/readers',
  access: { may: 'records.list' },
  query: z.object({ ...span, ...scope, page, sort: z.optional(ReaderSort), direction: z.optional(z.enum(['up', 'down'])) }),
  response: z.object({ ...Looked, rows: z.array(Reader), total: z.int(), pageSize: z.int() }),
  problems: ['invalid', 'not-found'],
})

/** By what the list of those who write can be ordered. */
export const OwnerSort = z.enum(['name', 'written', 'changed', 'views', 'people'])
/** Read by {@link OwnerSort}. */
export type OwnerSort = z.infer<typeof OwnerSort>
/** Somebody who owns something: what of it came out, and how it was used. */
export const Owner = z.object({ person: Named, written: whole, changed: whole, views: whole, people: whole })
/** Read by {@link Owner}. */
export type Owner = z.infer<typeof Owner>
/** Whose things came out or were used in these days. */
export const listOwners = endpoint({
  method: 'get',
  path: '/api/engagement/owners',
  access: { may: 'records.list' },
  query: z.object({ ...span, ...scope, page, sort: z.optional(OwnerSort), direction: z.optional(z.enum(['up', 'down'])) }),
  response: z.object({ ...Looked, rows: z.array(Owner), total: z.int(), pageSize: z.int() }),
  problems: ['invalid', 'not-found'],
})

/** By what the list of how long steps take can be ordered: how many times as long as its words are usually read in, how long, how many visits came to it, or by guide and place. */
export const StepSort = z.enum(['ratio', 'mean', 'came', 'title'])
/** Read by {@link StepSort}. */
export type StepSort = z.infer<typeof StepSort>
/** A step of the edition of a guide that holds, with how many visits came to it, how long those that spent time there did on average, and in how long its words are usually read. */
export const TimedStep = z.object({
  guide: z.object({ id: GuideId, number: z.int(), title: z.string() }),
  stepId: StepId,
  position: z.int(),
  name: z.string(),
  came: whole,
  meanMs: whole,
  readingMs: whole,
})
/** Read by {@link TimedStep}. */
export type TimedStep = z.infer<typeof TimedStep>
const { person: _person, ...scopeOfVisits } = scope
/** How long steps take, beside how long reading their words does; those at which at least five visits spent time. */
export const listTimedSteps = endpoint({
  method: 'get',
  path: '/api/engagement/steps',
  access: { may: 'records.list' },
  query: z.object({ ...span, ...scopeOfVisits, page, sort: z.optional(StepSort), direction: z.optional(z.enum(['up', 'down'])) }),
  response: z.object({ ...Looked, rows: z.array(TimedStep), total: z.int(), pageSize: z.int() }),
  problems: ['invalid', 'not-found'],
})

/** A figure whose rows can be listed: those over time; who finished; the different things that were used; all that happened; and
 * the days on which time was spent. */
export const CountedFigure = z.enum([...FIGURES, 'finishers', 'things', 'acts', 'time'])
/** Read by {@link CountedFigure}. */
export type CountedFigure = z.infer<typeof CountedFigure>
/** A row that a figure counts: something that happened, a person, a visit of a guest, or an edition. What a row has not is `null`. */
export const CountedRow = z.object({
  at: z.int(),
  person: z.nullable(Named),
  /** Whether they began to use it, or finished it. */
  act: z.nullable(z.enum(['began', 'finished'])),
  item: z.nullable(z.object({ ref: ItemRef, number: z.int(), title: z.string() })),
  edition: z.nullable(z.int()),
  way: z.nullable(Way),
  /** How often the person viewed something, or the thing was viewed, in these days. */
  views: z.nullable(z.int()),
  /** How long they spent on it on that day. */
  activeMs: z.nullable(z.int()),
})
/** Read by {@link CountedRow}. */
export type CountedRow = z.infer<typeof CountedRow>
/** The rows that a figure counts, the latest first. */
export const listCountedRows = endpoint({
  method: 'get',
  path: '/api/engagement/rows',
  access: { may: 'records.list' },
  query: z.object({ ...span, ...scope, page, figure: CountedFigure }),
  response: z.object({ ...Looked, rows: z.array(CountedRow), total: z.int(), pageSize: z.int() }),
  problems: ['invalid', 'not-found'],
})

/** Which visits of a guide are looked at: in which way, of which edition, by what, among whom. */
const visits = {
  way: z.optional(Way),
  edition: z.optional(z.coerce.number().check(z.int(), z.minimum(1), z.maximum(1_000_000))),
  device: z.optional(z.string().check(z.maxLength(60))),
  browser: z.optional(z.string().check(z.maxLength(60))),
  language: z.optional(z.string().check(z.maxLength(60))),
  department: z.optional(GroupId),
  site: z.optional(GroupId),
  team: z.optional(GroupId),
}
const guide = z.object({ id: GuideId })
/** A step of the newest edition, with how many visits came to it, went on from it to a later step or to the end, went back to an earlier one, and
 * ended at it without finishing. A visit may have gone on and back. `meanMs`: how long those that spent time at it did on average; `readingMs`: in how long its words
 * are usually read. */
export const JourneyStep = z.object({
  stepId: StepId,
  position: z.int(),
  name: z.string(),
  section: z.string(),
  came: whole,
  on: whole,
  back: whole,
  left: whole,
  meanMs: z.nullable(z.number()),
  readingMs: whole,
})
/** Read by {@link JourneyStep}. */
export type JourneyStep = z.infer<typeof JourneyStep>
const Choices = z.array(z.object({ value: z.string(), visits: whole }))
/** How visits went through a guide. `visits` = `finished` + those that left at each of the steps + `elsewhere`: at steps that are no longer there,
 * or before any. `choices`: what the visits of these days differ in, of those that the asker may see. */
export const Journey = z.object({
  guide: z.object({ id: GuideId, number: z.int(), title: z.string(), edition: z.int() }),
  span: Span,
  visits: whole,
  finished: whole,
  elsewhere: whole,
  steps: z.array(JourneyStep),
  choices: z.object({ way: Choices, edition: Choices, device: Choices, browser: Choices, language: Choices }),
  everybody: z.boolean(),
  /** Since when visits are kept, where earlier days are looked at. */
  kept: z.nullable(LocalDate),
})
/** Read by {@link Journey}. */
export type Journey = z.infer<typeof Journey>
/** How visits went through a guide, step by step. */
export const getJourney = endpoint({
  method: 'get',
  path: '/api/guides/:id/journey',
  access: { may: 'records.item', over: 'guide' },
  params: guide,
  query: z.object({ ...span, ...visits }),
  response: Journey,
  problems: ['invalid', 'not-found'],
})

/** Which visits are listed: those that came to a step, went on, went back or left there; or all, those that finished, and those that left elsewhere. */
export const JourneyPart = z.enum(['came', 'on', 'back', 'left', 'visits', 'finished', 'elsewhere'])
/** Read by {@link JourneyPart}. */
export type JourneyPart = z.infer<typeof JourneyPart>
/** A visit: whose, when it began, how. */
export const Visit = z.object({
  person: Named,
  at: z.int(),
  way: Way,
  edition: z.int(),
  device: z.nullable(z.string()),
  browser: z.nullable(z.string()),
  language: z.nullable(z.string()),
  activeMs: whole,
  finished: z.boolean(),
})
/** Read by {@link Visit}. */
export type Visit = z.infer<typeof Visit>
/** The visits that a figure of the journey counts, the latest first. */
export const listVisits = endpoint({
  method: 'get',
  path: '/api/guides/:id/journey/visits',
  access: { may: 'records.item', over: 'guide' },
  params: guide,
  query: z.object({ ...span, ...visits, page, part: JourneyPart, step: z.optional(StepId) }),
  response: z.object({
    guide: z.object({ id: GuideId, number: z.int(), title: z.string(), edition: z.int() }),
    /** Its name, where one is asked for. */
    step: z.nullable(z.string()),
    span: Span,
    /** Since when visits are kept, where earlier days are looked at. */
    kept: z.nullable(LocalDate),
    rows: z.array(Visit),
    total: z.int(),
    pageSize: z.int(),
  }),
  problems: ['invalid', 'not-found'],
})

/** A day on which somebody used something: how often they began, how often they finished it, and how long they spent on it. */
export const UsedDay = z.object({
  day: LocalDate,
  item: z.object({ ref: ItemRef, number: z.int(), title: z.string() }),
  views: whole,
  finished: whole,
  activeMs: whole,
})
/** Read by {@link UsedDay}. */
export type UsedDay = z.infer<typeof UsedDay>
/** What somebody used when, and how long, the latest first; for themselves and for whoever may see their records. `views`, `activeMs`: of all these
 * days. */
export const listUsedDays = endpoint({
  method: 'get',
  path: '/api/people/:id/use',
  access: { may: 'records.person', over: 'person' },
  params: z.object({ id: PersonId }),
  query: z.object({ ...span, page }),
  response: z.object({
    person: Named,
    span: Span,
    /** Since when it is kept, where earlier days are looked at. */
    kept: z.nullable(LocalDate),
    views: whole,
    activeMs: whole,
    rows: z.array(UsedDay),
    total: z.int(),
    pageSize: z.int(),
  }),
  problems: ['invalid'],
})

/** Longest name of a day, in characters. */
export const MOST_NAME = 80
/** A day from which something is different, such as a new version of a program, with the name by which it is known. */
export const Release = z.object({
  id: ReleaseId,
  name: z.string().check(z.trim(), z.minLength(1, 'Give it a name'), z.maxLength(MOST_NAME)),
  day: LocalDate,
})
/** Read by {@link Release}. */
export type Release = z.infer<typeof Release>
/** The releases, the latest first. */
export const listReleases = endpoint({
  method: 'get',
  path: '/api/releases',
  access: { may: 'records.list' },
  response: z.array(Release),
  problems: [],
})
/** Names a day. The same id again changes name and day. */
export const setRelease = endpoint({
  method: 'put',
  path: '/api/releases/:releaseId',
  access: { may: 'release.change' },
  params: z.object({ releaseId: ReleaseId }),
  body: z.omit(Release, { id: true }),
  problems: ['invalid', 'release-there'],
})
/** Takes the name of a day away; nothing that was counted changes. */
export const removeRelease = endpoint({
  method: 'delete',
  path: '/api/releases/:releaseId',
  access: { may: 'release.change' },
  params: z.object({ releaseId: ReleaseId }),
  problems: ['not-found'],
})
