import type { KeptPlay, KeptWay } from '@jackdaw/contracts/players'
import { PlayerState } from '@jackdaw/core/players'
import type { GuideId, PersonId, RoleId, SiteId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'

/** Largest state that is kept, in bytes of JSON: many times what the longest guide needs. */
const MOST_BYTES = 500_000

/** Where somebody was last in a guide; what an older version wrote and this one cannot read is as if it were not there. */
export async function findPlay(
  db: Db,
  personId: PersonId,
  guideId: GuideId,
  way: KeptWay,
): Promise<(KeptPlay & { savedAt: number }) | null> {
  const row = await db.one<{ play_id: string; edition: number; state: unknown; saved_at: Date }>(
    'select play_id, edition, state, saved_at from play where person_id = $1 and guide_id = $2 and way = $3',
    [personId, guideId, way],
  )
  const state = row && PlayerState.safeParse(row.state).data
  return state ? { playId: row.play_id, edition: row.edition, state, savedAt: row.saved_at.getTime() } : null
}

/** Keeps where somebody is. */
export async function savePlay(db: Db, personId: PersonId, guideId: GuideId, way: KeptWay, play: KeptPlay, now: number): Promise<void> {
  const state = JSON.stringify(play.state)
  if (play.state.way !== way || state.length > MOST_BYTES)
    fail('invalid', 'The state is of another way, or too large.', [{ pointer: '/body/state', detail: 'Not a state of this way' }])
  await db.rows(
    `insert into play (person_id, guide_id, way, edition, play_id, state, saved_at) values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (person_id, guide_id, way) do update set edition = excluded.edition, play_id = excluded.play_id, state = excluded.state, saved_at = excluded.saved_at`,
    [personId, guideId, way, play.edition, play.playId, state, new Date(now)],
  )
}

/** What rules of a guide may ask of a person. */
export async function ruledBy(db: Db, personId: PersonId): Promise<{ roles: RoleId[]; sites: SiteId[] }> {
  const row = await db.one<{ site_id: SiteId; roles: RoleId[] }>(
    'select p.site_id, array(select role_id from person_role where person_id = p.id) as roles from person p where p.id = $1',
    [personId],
  )
  return { roles: row?.roles ?? [], sites: row ? [row.site_id] : [] }
}
