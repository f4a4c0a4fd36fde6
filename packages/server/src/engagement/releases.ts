import type { Release } from '@jackdaw/contracts/engagement'
import type { PersonId, ReleaseId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'

/** The releases, the latest first. */
export const releasesOf = (db: Db): Promise<Release[]> =>
  db.rows<Release>('select id, name, day::text as day from release order by day desc')

/** Names a day, or changes what was named. A day has one name. */
export async function nameDay(db: Db, { id, name, day }: Release, by: PersonId, now: number): Promise<void> {
  await db.transaction(async (tx) => {
    // One at a time: two that name one day at once would both find it free.
    await tx.rows('lock table release in share row exclusive mode')
    const other = await tx.rows('select 1 from release where day = $1::date and id <> $2', [day, id])
    if (other.length > 0) fail('release-there')
    await tx.rows(
      `insert into release (id, name, day, made_by, made_at) values ($1, $2, $3::date, $4, $5) on conflict (id) do update set name = excluded.name, day = excluded.day`,
      [id, name, day, by, new Date(now)],
    )
  })
}

/** Takes the name of a day away. */
export async function unname(db: Db, id: ReleaseId): Promise<void> {
  const gone = await db.rows('delete from release where id = $1 returning 1', [id])
  if (gone.length === 0) fail('not-found')
}
