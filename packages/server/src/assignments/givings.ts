import type { GivingSaving } from '@jackdaw/contracts/assignments'
import type { ItemRef } from '@jackdaw/core/items'
import type { GivingId, PersonId } from '@jackdaw/core/shared'
import { audienceFor, dropUnused } from '../audiences'
import type { Db } from '../db'
import { fail, type Parts } from '../http'
import type { Telling } from '../inbox'
import { ITEM } from '../items'
import { assign, tellingOf, type Assigned } from './assign'
import { GIVING } from './model'
import { lockItem } from './lockItems'
import { lockLines, settle } from './settle'
import { tellReaders } from './tellReaders'

/** How somebody gives something: by whom, when, and by what mail leaves that tells of it, `null` for none; `tell`: whether anybody is told. */
type How = { by: PersonId; now: number; mail: Telling['mail']; tell: boolean }

async function tellAll(tx: Db, parts: Parts, all: readonly Assigned[], { mail, tell, now }: How): Promise<void> {
  if (tell) await tellReaders(tx, { ...parts, mail }, all, now)
}
/** How many have an item because of a giving. */
export const peopleOf = async (tx: Db, id: GivingId): Promise<number> =>
  (await tx.one<{ people: number }>("select count(*)::int as people from assignment_reason where kind = 'giving' and ref = $1", [id]))!
    .people

/** Gives an item to an audience. @throws `not-published` when there is nothing yet, or no more, that could be given */
export async function give(parts: Parts, item: ItemRef, saving: GivingSaving, how: How): Promise<{ id: GivingId; people: number }> {
  const { kind, id: itemId } = item
  return parts.database.transaction(async (tx) => {
    await lockItem(tx, item)
    const row = await tx.in(ITEM).one({ kind, id: itemId }, { only: ['edition', 'archivedAt'] })
    if (!row || row.edition === null) return fail('not-published', 'Publish it first; then it can be given.')
    if (row.archivedAt !== null) return fail('not-published', 'It is archived. Take it out of the archive to give it to somebody.')
    const { audience, use, due, repeatMonths } = saving
    const audienceId = await audienceFor(tx, parts, audience, null, how.by, how.now)
    const id = parts.newId<GivingId>()
    const of = { itemKind: kind, itemId, audienceId, publishing: false }
    await tx.in(GIVING).insert({ id, ...of, use, due, repeatMonths, givenBy: how.by, givenAt: how.now })
    await tellAll(tx, parts, await assign(tx, parts.newId, { item }, how.now), how)
    return { id, people: await peopleOf(tx, id) }
  })
}

const held = async (tx: Db, item: ItemRef, id: GivingId) => {
  const [row] = await tx.in(GIVING).find({ id, itemKind: item.kind, itemId: item.id }, { lock: true })
  return row ?? fail('not-found')
}

/** The lines of those who have an item because of a giving. */
const linesOf = async (tx: Db, id: GivingId): Promise<string[]> =>
  (await tx.rows<{ id: string }>("select assignment_id as id from assignment_reason where kind = 'giving' and ref = $1", [id])).map(
    (row) => row.id,
  )

/** Changes a giving. @param dueForAll whether who has the item already is to do it by the new rule too */
export async function changeGiving(
  parts: Parts,
  item: ItemRef,
  id: GivingId,
  { audience, use, due, repeatMonths, dueForAll }: GivingSaving & { dueForAll: boolean },
  how: How,
): Promise<{ people: number }> {
  return parts.database.transaction(async (tx) => {
    await lockItem(tx, item)
    const was = await held(tx, item, id)
    const audienceId = await audienceFor(tx, parts, audience, was.audienceId, how.by, how.now)
    await tx.in(GIVING).update({ audienceId, use, due, repeatMonths }, { id })
    if (was.audienceId !== audienceId) await dropUnused(tx, was.audienceId)
    const assigned = await assign(tx, parts.newId, { item }, how.now)
    await tx.rows("update assignment_reason set use = $2, repeat_months = $3 where kind = 'giving' and ref = $1", [id, use, repeatMonths])
    if (dueForAll) await tx.rows("update assignment_reason set due = $2 where kind = 'giving' and ref = $1", [id, JSON.stringify(due)])
    const settled = await settle(tx, await linesOf(tx, id))
    await tellAll(tx, parts, [...assigned, ...(await tellingOf(tx, settled))], how)
    return { people: await peopleOf(tx, id) }
  })
}

/** Ends a giving. @returns how many have the item no more, and how many keep it because they have begun */
export async function endGiving(
  parts: Parts,
  item: ItemRef,
  id: GivingId,
  how: Omit<How, 'tell'>,
): Promise<{ lost: number; optional: number }> {
  return parts.database.transaction(async (tx) => {
    await lockItem(tx, item)
    const { audienceId } = await held(tx, item, id)
    const lines = await linesOf(tx, id)
    await lockLines(tx, 'a.id = any ($1)', [lines])
    await tx.rows("delete from assignment_reason where kind = 'giving' and ref = $1", [id])
    await tx.in(GIVING).remove({ id })
    await dropUnused(tx, audienceId)
    const settled = await settle(tx, lines)
    await tellAll(tx, parts, await tellingOf(tx, settled), { ...how, tell: true })
    const count = (after: 'optional' | null) => settled.filter((line) => line.after === after).length
    return { lost: count(null), optional: count('optional') }
  })
}
