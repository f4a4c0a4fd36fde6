import {
  chooseMail,
  countInbox,
  EntryKindName,
  getMailChoice,
  listInbox,
  markAllRead,
  markEntry,
  stopMails,
} from '@jackdaw/contracts/inbox'
import { fail, route, type Routes } from '../http'
import { PERSON, redeemToken } from '../people'
import { entriesFor, inboxCounts, markAll, markAs } from './entries'
import { choose, mailChoiceOf } from './mailChoice'

export function inboxRoutes(routes: Routes): void {
  const { database: db, mail } = routes.parts
  route(routes, listInbox, async ({ query: { part, before, beforeId } }, { caller }) => {
    const after = before === undefined ? null : { at: before, id: beforeId ?? '' }
    const [found, counts] = await Promise.all([entriesFor(db, caller.id, part ?? 'all', after), inboxCounts(db, caller.id)])
    return { ...found, counts }
  })
  route(routes, countInbox, (_input, { caller }) => inboxCounts(db, caller.id))
  route(routes, markEntry, ({ params: { entryId }, body: { read } }, { caller, now }) => markAs(db, caller.id, entryId, read, now))
  route(routes, markAllRead, async ({ body: { until } }, { caller, now }) => void (await markAll(db, caller.id, until, now)))
  route(routes, getMailChoice, async (_input, { caller }) => {
    const person = await db.in(PERSON).one({ id: caller.id }, { only: ['mail'] })
    return { mailed: mail !== null, to: person?.mail ?? '', kinds: await mailChoiceOf(db, caller.id) }
  })
  route(routes, chooseMail, ({ body: { kinds } }, { caller }) => choose(db, caller.id, kinds))
  route(routes, stopMails, ({ body: { token } }, { now }) =>
    db.transaction(async (tx) => {
      const found = await redeemToken(tx, 'stop-mails', token, now)
      const kind = EntryKindName.safeParse(found?.detail)
      if (!found || !kind.success)
        return fail('link-used-up', 'It was used already, or is too old. In Jackdaw, under Inbox, you can choose what comes as mail.')
      await choose(tx, found.personId, { [kind.data]: false })
      return { kind: kind.data }
    }),
  )
}
