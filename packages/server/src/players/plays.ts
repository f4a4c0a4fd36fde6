import type { KeptPlay, KeptWay } from '@jackdaw/contracts/players'
import { PlayerState } from '@jackdaw/core/players'
import type { GuideId, PersonId, GroupId } from '@jackdaw/core/shared'
import type { Db } from '../db'
import { fail } from '../http'
import { PLAY } from './model'

/** Largest state that is kept, in bytes of JSON: many times what the longest guide needs. */
const MOST_BYTES = 500_000

/** Where somebody was last in a guide; what an older version wrote and this one cannot read is as if it were not there. */
export async function findPlay(
  db: Db,
  personId: PersonId,
  guideId: GuideId,
  way: KeptWay,
): Promise<(KeptPlay & { savedAt: number }) | null> {
  const row = await db.in(PLAY).one({ personId, guideId, way })
  const state = row && PlayerState.safeParse(row.state).data
  return state ? { playId: row.playId, edition: row.edition, state, savedAt: row.savedAt } : null
}

/** Keeps where somebody is. */
export async function savePlay(db: Db, personId: PersonId, guideId: GuideId, way: KeptWay, play: KeptPlay, now: number): Promise<void> {
  const state = JSON.stringify(play.state)
  if (play.state.way !== way || state.length > MOST_BYTES)
    fail('invalid', 'The state is of another way, or too large.', [{ pointer: '/body/state', detail: 'Not a state of this way' }])
  await db.in(PLAY).insertAll([{ personId, guideId, way, ...play, savedAt: now }], { inPlaceOf: ['edition', 'playId', 'state', 'savedAt'] })
}

/** What rules of a guide may ask of a person. */
export async function ruledBy(db: Db, personId: PersonId): Promise<{ roles: GroupId[]; sites: GroupId[] }> {
  const rows = await db.rows<{ id: GroupId; kind: string }>(
    "select group_id as id, kind from member where person_id = $1 and kind in ('role', 'site')",
    [personId],
  )
  const of = (kind: string) => rows.flatMap((row) => (row.kind === kind ? [row.id] : []))
  return { roles: of('role'), sites: of('site') }
}
