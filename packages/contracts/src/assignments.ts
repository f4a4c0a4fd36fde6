import { DueRule, GivenFor, Handling, HANDLED, LineFor, MOST_BEFORE_DAYS, ReminderRules, RepeatMonths } from '@jackdaw/core/assignments'
import { MailRules } from '@jackdaw/core/inbox'
import { AnyItemId, ItemRef } from '@jackdaw/core/items'
import { GivingId, Instant, LocalDate, PersonId, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { AudienceChoice, AudienceShown } from './audiences'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

const item = z.object({ id: AnyItemId })
const onItem = { access: { may: 'assignment.change', over: 'item' }, params: item } as const

/** So many assignments are handled at once. */
export const MOST_HANDLED = 500

/** What is done, and to whose assignments of an item. */
const HandlingPeople = z.object({
  people: z.array(PersonId).check(z.minLength(1, 'Choose somebody'), z.maxLength(MOST_HANDLED)),
  handling: Handling,
})
/** What comes of it: of each who has an assignment, by name, with the due day before and after; and how many of those who were named have none. */
export const HandledPeople = z.object({
  people: z.array(
    z.object({
      id: PersonId,
      name: z.string(),
      outcome: z.enum(HANDLED),
      dueOn: z.nullable(LocalDate),
      becomes: z.nullable(LocalDate),
    }),
  ),
  others: z.int(),
})
/** Read by {@link HandledPeople}. */
export type HandledPeople = z.infer<typeof HandledPeople>

const handling = { method: 'post', ...onItem, body: HandlingPeople, response: HandledPeople, problems: ['invalid'] } as const
/** What would come of handling assignments; nothing is done. */
export const previewHandling = endpoint({ ...handling, path: '/api/items/:id/assignments/preview' })
/** Moves due days, waives, ends waivers or reminds. What nothing comes of is left as it is. */
export const handleAssignments = endpoint({ ...handling, path: '/api/items/:id/assignments' })

/** How far those are who have an item for one giving. `late` and `waived` are never done; who has it to look up is counted among the people only. */
const HowFar = z.object({ people: z.int(), toDo: z.int(), done: z.int(), late: z.int(), waived: z.int() })
/** That an audience is given an item. `byPublishing`: it is the one that is said where the item is published. */
export const Giving = z.object({
  id: GivingId,
  byPublishing: z.boolean(),
  audience: AudienceShown,
  use: GivenFor,
  due: DueRule,
  repeatMonths: RepeatMonths,
  givenBy: PersonRef,
  givenAt: Instant,
  howFar: HowFar,
})
/** Read by {@link Giving}. */
export type Giving = z.infer<typeof Giving>
/** An item as it is named in lists. `edition`: the newest one, `null` before the first. */
export const NamedItem = z.object({
  item: ItemRef,
  number: z.int(),
  title: z.string(),
  edition: z.nullable(z.int()),
  archived: z.boolean(),
})
/** Read by {@link NamedItem}. */
export type NamedItem = z.infer<typeof NamedItem>

/** To whom an item is given, the first giving on top, and how many have each begun it of those to whom nobody gives it any more. */
export const listGivings = endpoint({
  method: 'get',
  path: '/api/items/:id/givings',
  ...onItem,
  response: z.object({ of: NamedItem, givings: z.array(Giving), optional: Whole }),
  problems: ['not-found'],
})
/** Whom an audience would reach, and what each has of the item already: how many, and the first 200 of them by name. */
export const previewGiving = endpoint({
  method: 'post',
  path: '/api/items/:id/givings/preview',
  ...onItem,
  body: z.object({ audience: AudienceChoice }),
  response: z.object({
    counts: z.object({ people: z.int(), new: z.int(), has: z.int(), done: z.int() }),
    people: z.array(z.object({ ...PersonRef.shape, site: z.string(), now: z.enum(['new', 'has', 'done']) })),
  }),
  problems: ['invalid'],
})
/** Who is given an item, for what, by when, and after how many months again. */
export const GivingSaving = z.object({
  audience: AudienceChoice,
  use: GivenFor,
  due: DueRule,
  repeatMonths: RepeatMonths,
})
/** Read by {@link GivingSaving}. */
export type GivingSaving = z.infer<typeof GivingSaving>
/** Gives a published item to an audience. */
export const giveItem = endpoint({
  method: 'post',
  path: '/api/items/:id/givings',
  ...onItem,
  /** `tell`: whether they are told in their inbox, and by mail as far as they want that. */
  body: z.object({ ...GivingSaving.shape, tell: z.boolean() }),
  response: z.object({ id: GivingId, people: z.int() }),
  problems: ['invalid', 'not-published'],
})
const giving = z.object({ id: AnyItemId, givingId: GivingId })
/** Changes a giving. What it is for and when it is to be done again holds for everybody at once; `dueForAll`: whether the due rule does too, also
 * for those who have the item already. */
export const changeGiving = endpoint({
  method: 'put',
  path: '/api/items/:id/givings/:givingId',
  access: onItem.access,
  params: giving,
  body: z.object({ ...GivingSaving.shape, dueForAll: z.boolean(), tell: z.boolean() }),
  response: z.object({ people: z.int() }),
  problems: ['invalid', 'not-found'],
})
/** Ends a giving: who has the item for no other reason and has not begun loses it. */
export const endGiving = endpoint({
  method: 'delete',
  path: '/api/items/:id/givings/:givingId',
  access: onItem.access,
  params: giving,
  response: z.object({ lost: z.int(), optional: z.int() }),
  problems: ['not-found'],
})
/** What the asker has given, the newest first, and how far it is. */
export const listMyGivings = endpoint({
  method: 'get',
  path: '/api/my-givings',
  access: { may: 'assignment.list' },
  response: z.array(z.object({ of: NamedItem, giving: Giving })),
  problems: [],
})
/** Why somebody has an item, each reason with by when it is to be done for it; for what they have it therefore, when the present round began and
 * when the next one does. `use` is `null` when they do not have it. */
export const getWhyGiven = endpoint({
  method: 'get',
  path: '/api/people/:id/items/:itemId/reasons',
  access: { may: 'records.person', over: 'person' },
  params: z.object({ id: PersonId, itemId: AnyItemId }),
  response: z.object({
    use: z.nullable(LineFor),
    movedOn: z.nullable(LocalDate),
    roundFrom: z.nullable(Instant),
    nextRoundOn: z.nullable(LocalDate),
    reasons: z.array(
      z.object({
        /** To whom it is given, in words; or the title of the plan in which it stands. */
        audience: z.nullable(z.string()),
        plan: z.nullable(z.string()),
        byPublishing: z.boolean(),
        use: GivenFor,
        due: DueRule,
        repeatMonths: RepeatMonths,
        givenBy: PersonRef,
        givenAt: Instant,
      }),
    ),
    /** What was sent of it, the newest first: to whom, for which due day, and how many days from it. */
    reminders: z.array(z.object({ to: PersonRef, dueOn: LocalDate, stage: z.int(), sentAt: Instant })),
  }),
  problems: ['not-found'],
})

/** When people are reminded, and when mail may leave. */
export const CompanyReminders = z.object({ reminders: ReminderRules, mail: MailRules })
/** Read by {@link CompanyReminders}. */
export type CompanyReminders = z.infer<typeof CompanyReminders>
/** When everybody is reminded. */
export const getReminders = endpoint({
  method: 'get',
  path: '/api/reminders',
  access: { may: 'reminders.change' },
  response: CompanyReminders,
  problems: [],
})
/** Says when everybody is reminded. What was sent stays sent. */
export const setReminders = endpoint({
  method: 'put',
  path: '/api/reminders',
  access: { may: 'reminders.change' },
  body: CompanyReminders,
  problems: ['invalid'],
})
/** How the asker is reminded: what the company says, and so many days before a due day besides, `null` for not. */
export const getMyReminders = endpoint({
  method: 'get',
  path: '/api/my-reminders',
  access: { may: 'self.change' },
  response: z.object({ ...CompanyReminders.shape, before: z.nullable(z.int()) }),
  problems: [],
})
/** Chooses how long before a due day one wishes to be reminded besides. */
export const setMyReminders = endpoint({
  method: 'put',
  path: '/api/my-reminders',
  access: { may: 'self.change' },
  body: z.object({ before: z.nullable(z.int().check(z.minimum(1), z.maximum(MOST_BEFORE_DAYS))) }),
  problems: ['invalid'],
})
