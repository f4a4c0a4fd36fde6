import { chooseMail, countInbox, getMailChoice, listInbox, markAllRead, markEntry, stopMails } from '@jackdaw/contracts/inbox'
import { EntryKind } from '@jackdaw/core/inbox'
import { fail, route, type Routes } from '../http'
import { PERSON, redeemToken } from '../people'
import { entriesFor, inboxCounts, markAll, markAs } from './entries'
import { choose, mailChoiceOf } from './mailChoice'
import { readMailRules } from './mailRules'
import { DAY_MAIL } from './model'

/** So many of the last mails are listed. */
const SENT_SHOWN = 14

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
    const [{ least }, sent] = [
      await readMailRules(db),
      await db.in(DAY_MAIL).find({ personId: caller.id }, { order: [['day', 'desc']], limit: SENT_SHOWN }),
    ]
    return {
      ...{ mailed: mail !== null, to: person?.mail ?? '', kinds: await mailChoiceOf(db, caller.id), least },
      sent: sent.map(({ day, sentAt, entries }) => ({ day, sentAt, entries })),
    }
  })
  route(routes, chooseMail, ({ body: { kinds } }, { caller }) => choose(db, caller.id, kinds))
  route(routes, stopMails, ({ body: { token } }, { now }) =>
    db.transaction(async (tx) => {
      const found = await redeemToken(tx, 'stop-mails', token, now)
      const kinds = found?.detail === 'all' ? EntryKind.options : EntryKind.options.filter((kind) => kind === found?.detail)
      if (!found || kinds.length === 0)
        return fail('link-used-up', 'It was used already, or is too old. In Jackdaw, under Inbox, you can choose what comes as mail.')
      await choose(tx, found.personId, Object.fromEntries(kinds.map((kind) => [kind, false])))
      return { kind: found.detail as EntryKind | 'all' }
    }),
  )
}
