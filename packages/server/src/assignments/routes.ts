import {
  changeGiving,
  endGiving,
  getMyReminders,
  getReminders,
  getWhyGiven,
  giveItem,
  handleAssignments,
  listGivings,
  listMyGivings,
  previewGiving,
  previewHandling,
  setMyReminders,
  setReminders,
} from '@jackdaw/contracts/assignments'
import { getPublication, previewAudience, publishGuide, withdrawEdition, type Edition } from '@jackdaw/contracts/publishing'
import { getToday, getTodayOf } from '@jackdaw/contracts/reading'
import { publishQuiz } from '@jackdaw/contracts/quizzes'
import { publishTask } from '@jackdaw/contracts/tasks'
import { USUAL_DUE } from '@jackdaw/core/assignments'
import { findingsBeforePublishing, guideQuizzesOf, itemName } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import { findDraft, findFacts, takableQuizzes } from '../guides'
import { readMailRules, writeMailRules } from '../inbox'
import { findCaller } from '../people'
import { fail, route, type Routes } from '../http'
import { ITEM, knownItem, listEditions } from '../items'
import { audienceShown, idsOf, LISTED, membersOf, reasonsOf } from '../audiences'
import { handle, lookAtHandling } from './handle'
import { standings, type Standing } from './standings'
import * as givings from './givings'
import { givingsBy, givingsOf } from './listGivings'
import { ASSIGNMENT, GIVING, REMINDER_CHOICE } from './model'
import { publish, publishQuizToPeople, publishTaskToPeople, withdraw } from './publish'
import { previewOf } from './previewGiving'
import { todayOf } from './today'
import { readReminders, writeReminders } from './remind'
import { whyGiven } from './whyGiven'

export function assignmentRoutes(routes: Routes): void {
  const { database: db } = routes.parts

  route(routes, getToday, async (_input, { caller, now }) => todayOf(db, caller, now))
  route(routes, getTodayOf, async ({ params: { id } }, { now }) => todayOf(db, (await findCaller(db, id)) ?? fail('not-found'), now))

  publishingRoutes(routes)
  givingRoutes(routes)
}

/** What is published, to whom, and what is withdrawn again. */
function publishingRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, getPublication, async ({ params: { id } }, { caller }) => {
    const [facts, draft, editions] = await Promise.all([findFacts(db, id), findDraft(db, id), listEditions(db, guideItem(id))])
    if (!facts || !draft) return fail('not-found')
    const [given, item] = await Promise.all([
      db.in(GIVING).one({ itemKind: 'guide', itemId: id, publishing: true }),
      db.in(ITEM).one({ kind: 'guide', id }, { only: ['openToAll'] }),
    ])
    const takable = await takableQuizzes(
      db,
      guideQuizzesOf(draft.document).map(({ quizId }) => quizId),
      caller.id,
    )
    return {
      title: draft.document.title,
      number: facts.number,
      revision: draft.revision,
      archived: facts.archived,
      editions: editions.map((edition): Edition => ({
        number: edition.number,
        publishedAt: edition.published_at.getTime(),
        publishedBy: { id: edition.publisher_id, name: edition.publisher },
        changeNote: edition.change_note,
        mustReread: edition.must_reread,
        steps: edition.parts,
        withdrawn: edition.withdrawn_at && { at: edition.withdrawn_at.getTime(), why: edition.withdrawn_why ?? '' },
      })),
      changedSinceEdition: editions.find((each) => each.withdrawn_at === null)?.revision !== draft.revision,
      audience: await audienceShown(db, given?.audienceId ?? null),
      openToAll: item?.openToAll ?? false,
      due: given?.due ?? USUAL_DUE,
      findings: findingsBeforePublishing(draft.document, takable).map((finding) => ({
        ...finding,
        where: itemName(draft.document, finding.itemId),
      })),
    }
  })
  route(routes, previewAudience, async ({ params: { id }, body: { audience } }, { now }) => {
    const [{ people }, all, before] = await Promise.all([
      membersOf(db, audience, '', now),
      idsOf(db, audience, now),
      standings(db, guideItem(id)),
    ])
    const reasons = await reasonsOf(
      db,
      audience,
      people.map((each) => each.id),
      now,
    )
    const standing = new Map<string, Standing>(before.map((each) => [each.person_id, each]))
    const leaving = before.filter((each) => !all.has(each.person_id))
    const staying = before.filter((each) => all.has(each.person_id))
    const done = staying.filter((each) => each.done).length
    const counts = { people: all.size, new: all.size - staying.length, 'not-done': staying.length - done, done, leaving: leaving.length }
    return {
      counts,
      people: people.map(({ id: personId, name, site }) => {
        const was = standing.get(personId)
        const now = was === undefined ? ('new' as const) : was.done ? ('done' as const) : ('not-done' as const)
        return { id: personId, name, site, why: reasons.get(personId) ?? [], now }
      }),
      leaving: leaving.slice(0, LISTED).map((each) => ({ id: each.person_id, name: each.name })),
    }
  })
  route(routes, publishGuide, async ({ params: { id }, body }, { caller, now }) =>
    publish(routes.parts, routes.parts.mail, id, body, caller.id, now),
  )
  route(routes, withdrawEdition, async ({ params: { id, edition }, body: { why } }, { caller, now }) => ({
    edition: await withdraw(routes.parts, id, edition, { by: caller.id, why, now }),
  }))
  route(routes, publishQuiz, async ({ params: { id }, body }, { caller, now }) => ({
    edition: await publishQuizToPeople(routes.parts, id, body, caller.id, now),
  }))
  route(routes, publishTask, async ({ params: { id }, body }, { caller, now }) => ({
    edition: await publishTaskToPeople(routes.parts, id, body, caller.id, now),
  }))
}

/** What concerns items of every kind: what is done to assignments, and to whom an item is given. */
function givingRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db, mail } = parts

  route(routes, previewHandling, async ({ params: { id }, body: { people, handling } }) =>
    lookAtHandling(db, await knownItem(db, id), people, handling),
  )
  route(routes, handleAssignments, async ({ params: { id }, body: { people, handling } }, { caller, now }) =>
    handle(parts, await knownItem(db, id), people, handling, caller.id, now),
  )
  route(routes, listGivings, async ({ params: { id } }, { now }) => {
    const item = await knownItem(db, id)
    const [row, all, optional] = await Promise.all([
      db.in(ITEM).one({ kind: item.kind, id: item.id }),
      givingsOf(db, item, now),
      db.in(ASSIGNMENT).count({ itemKind: item.kind, itemId: item.id, use: 'optional' }),
    ])
    if (!row) return fail('not-found')
    const { number, title, edition, archivedAt } = row
    return { of: { item, number, title: title ?? '', edition, archived: archivedAt !== null }, givings: all, optional }
  })
  route(routes, previewGiving, async ({ params: { id }, body: { audience } }, { now }) =>
    previewOf(db, await knownItem(db, id), audience, now),
  )
  route(routes, giveItem, async ({ params: { id }, body: { tell, ...saving } }, { caller, now }) =>
    givings.give(parts, await knownItem(db, id), saving, { by: caller.id, now, mail, tell }),
  )
  route(routes, changeGiving, async ({ params: { id, givingId }, body: { tell, ...saving } }, { caller, now }) =>
    givings.changeGiving(parts, await knownItem(db, id), givingId, saving, { by: caller.id, now, mail, tell }),
  )
  route(routes, endGiving, async ({ params: { id, givingId } }, { caller, now }) =>
    givings.endGiving(parts, await knownItem(db, id), givingId, { by: caller.id, now, mail }),
  )
  route(routes, getWhyGiven, async ({ params: { id, itemId } }) => whyGiven(db, id, await knownItem(db, itemId)))
  route(routes, listMyGivings, (_input, { caller, now }) => givingsBy(db, caller.id, now))
  reminderRoutes(routes)
}

/** When people are reminded. */
function reminderRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  const all = async () => ({ reminders: await readReminders(db), mail: await readMailRules(db) })

  route(routes, getReminders, all)
  route(routes, setReminders, ({ body: { reminders, mail } }) =>
    db.transaction(async (tx) => {
      await writeReminders(tx, reminders)
      await writeMailRules(tx, mail)
    }),
  )
  route(routes, getMyReminders, async (_input, { caller }) => {
    const own = await db.in(REMINDER_CHOICE).one({ personId: caller.id })
    return { ...(await all()), before: own?.beforeDays ?? null }
  })
  route(routes, setMyReminders, async ({ body: { before } }, { caller }) => {
    if (before === null) return void (await db.in(REMINDER_CHOICE).remove({ personId: caller.id }))
    await db.in(REMINDER_CHOICE).insertAll([{ personId: caller.id, beforeDays: before }], { inPlaceOf: ['beforeDays'] })
  })
}
