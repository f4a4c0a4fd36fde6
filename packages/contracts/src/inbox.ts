import { AboutRef, EntryKind } from '@jackdaw/core/inbox'
import { EntryId, Instant, LocalDate } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { InboxPart } from './inboxPart'

/** Something that somebody is told. `data` is what its kind holds; `at` and `readAt` are epoch milliseconds, UTC. `open`: it waits for a
 * decision. */
export const Entry = z.object({
  id: EntryId,
  kind: EntryKind,
  about: AboutRef,
  data: z.record(z.string(), z.unknown()),
  at: z.int(),
  readAt: z.nullable(z.int()),
  open: z.boolean(),
})
/** Read by {@link Entry}. */
export type Entry = z.infer<typeof Entry>

/** How many entries are unread, and how many wait for a decision. */
export const InboxCounts = z.object({ unread: z.int(), open: z.int() })
/** Read by {@link InboxCounts}. */
export type InboxCounts = z.infer<typeof InboxCounts>

/** One's own inbox, the newest first, a part of it. `before`: only what came in before that, with the id as the tie-break. */
export const listInbox = endpoint({
  method: 'get',
  path: '/api/inbox',
  access: { may: 'inbox.use' },
  query: z.object({
    part: z.optional(InboxPart),
    before: z.optional(z.coerce.number().check(z.int(), z.minimum(0), z.maximum(8_640_000_000_000_000))),
    beforeId: z.optional(EntryId),
  }),
  response: z.object({ rows: z.array(Entry), counts: InboxCounts, more: z.boolean() }),
  problems: ['invalid'],
})
/** How much of one's own inbox is unread or waits. */
export const countInbox = endpoint({
  method: 'get',
  path: '/api/inbox/counts',
  access: { may: 'inbox.use' },
  response: InboxCounts,
  problems: [],
})
/** Marks an entry of one's own as read, or as unread. */
export const markEntry = endpoint({
  method: 'patch',
  path: '/api/inbox/:entryId',
  access: { may: 'inbox.use' },
  params: z.object({ entryId: EntryId }),
  body: z.object({ read: z.boolean() }),
  problems: ['not-found'],
})
/** Marks everything as read that had come in by a time: what came since was not seen. */
export const markAllRead = endpoint({
  method: 'post',
  path: '/api/inbox/read',
  access: { may: 'inbox.use' },
  body: z.object({ until: Instant }),
  problems: ['invalid'],
})

/** Which kinds of entries also come as mail. `mailed`: whether mail leaves this server at all; `to`: the address that it goes to; `least`: the kinds that
 * cannot be switched off; `sent`: the last mails of a day, the newest first, and how much stood in each. */
export const MailChoice = z.object({
  mailed: z.boolean(),
  to: z.string(),
  kinds: z.record(EntryKind, z.boolean()),
  least: z.array(EntryKind),
  sent: z.array(z.object({ day: LocalDate, sentAt: Instant, entries: z.int() })),
})
/** Read by {@link MailChoice}. */
export type MailChoice = z.infer<typeof MailChoice>
/** What one gets as mail. */
export const getMailChoice = endpoint({
  method: 'get',
  path: '/api/mail-choice',
  access: { may: 'inbox.use' },
  response: MailChoice,
  problems: [],
})
/** Chooses for some kinds whether they come as mail. */
export const chooseMail = endpoint({
  method: 'patch',
  path: '/api/mail-choice',
  access: { may: 'inbox.use' },
  body: z.object({ kinds: z.partialRecord(EntryKind, z.boolean()) }),
  problems: ['invalid'],
})
/** Ends mails of one kind, or of all that can be switched off, for whoever got the link, without signing in. The token is in the link, and holds once. */
export const stopMails = endpoint({
  method: 'post',
  path: '/api/mail-stops',
  access: 'anyone',
  body: z.object({ token: z.string().check(z.minLength(1), z.maxLength(100)) }),
  response: z.object({ kind: z.union([EntryKind, z.literal('all')]) }),
  problems: ['invalid', 'link-used-up'],
})
