import { keptSince, type Span } from '@jackdaw/core/engagement'
import { ALL_ITEM_KINDS } from '@jackdaw/core/items'
import { localDateAt, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import type { EventRules, RollUp } from '../eventRules'
import { oneAtATime, thinEvents } from '../events'
import { readSetting, writeSetting } from '../settings'
import { figureRules } from './figureRules'
import { engagementRollUps } from './rollUps'

// The trigger that guards events reads it, too.
const KEY = 'kept-use'
/** Since when it is kept who used what when; `null`: since ever. */
export const usesKeptSince = async (db: Db): Promise<LocalDate | null> => (await readSetting<{ since: LocalDate }>(db, KEY))?.since ?? null

/** Since when it is kept who used what when, where earlier days are looked at. */
export const keptIn = ({ from }: Span, keptSince: LocalDate | null): LocalDate | null =>
  keptSince !== null && from < keptSince ? keptSince : null

/** Puts the use of the days between together: from then on only how much it was is known of them. What was sought then is let go of. */
async function countTogether(db: Db, from: LocalDate | null, since: LocalDate): Promise<void> {
  await db.transaction(async (tx) => {
    // What is told meanwhile waits: it is either counted here, or comes too late to be.
    await tx.rows('lock table use_day in share mode')
    await tx.rows(
      `insert into use_counted (item_kind, item_id, local_day, views, finished)
       select item_kind, item_id, local_day, sum(views), sum(finished) from use_day
       where local_day < $2::date and ($1::date is null or local_day >= $1::date) group by 1, 2, 3 having sum(views) > 0 or sum(finished) > 0`,
      [from, since],
    )
    await tx.rows('delete from search where local_day < $1::date', [since])
    await writeSetting(tx, KEY, { since })
  })
}

const usedBy = async (tx: Db, person: PersonId): Promise<string[]> =>
  (await tx.rows<{ id: string }>('select distinct item_id as id from use_day where person_id = $1', [person])).map(({ id }) => id)

/** Thins what one person used before a day, and counts their use from what is left. */
async function thinOf(db: Db, verbs: EventRules['verbs'], rollUps: readonly RollUp[], person: PersonId, since: LocalDate): Promise<void> {
  await db.transaction(async (tx) => {
    await oneAtATime(tx, person)
    const items = await usedBy(tx, person)
    if (items.length > 0) {
      await thinEvents(tx, verbs, person, items, since)
      for (const { table, ofPersonAndItem, count } of rollUps) {
        // Where rows are about items, they are found by these.
        if (ofPersonAndItem === null) await tx.rows(`delete from ${table} where person_id = $1`, [person])
        else await tx.rows(`delete from ${table} where person_id = $1 and item_id = any ($2)`, [person, items])
        await tx.rows(
          count(`(select * from event_counted where subject_kind = 'person' and subject_id = $1 and item_id = any ($2)) told`),
          [person, items],
        )
      }
      for (const { derive } of rollUps)
        if (derive)
          await tx.rows(derive.sql('s.item_kind = any ($3) and s.item_id = any ($2) and s.person_id = $1'), [person, items, ALL_ITEM_KINDS])
    }
    await tx.rows(
      'insert into thinned_use (person_id, before) values ($1, $2::date) on conflict (person_id) do update set before = excluded.before',
      [person, since],
    )
  })
}

type Progress = (done: number, of: number) => Promise<void>
/** Keeps who used what when only as long as the company says. One person at a time: whatever it is stopped by, what was done is done, and the next time
 * goes on with the others. */
export async function keepUse(
  db: Db,
  { verbs }: Pick<EventRules, 'verbs'>,
  now: number,
  progress: Progress = async () => undefined,
): Promise<void> {
  const { keepMonths } = await figureRules(db)
  const before = await usesKeptSince(db)
  const since = keptSince(localDateAt(now, 'UTC'), keepMonths, before)
  if (since === null) return
  if (since !== before) await countTogether(db, before, since)
  const rollUps = engagementRollUps(verbs)
  const people = await db.rows<{ id: PersonId }>(
    'select p.id from person p left join thinned_use t on t.person_id = p.id where t.before is null or t.before < $1::date order by p.id',
    [since],
  )
  for (const [done, { id }] of people.entries()) {
    await progress(done, people.length)
    await thinOf(db, verbs, rollUps, id, since)
  }
}
