import { isVouchedFor } from '@jackdaw/core/events'
import type { PersonId } from '@jackdaw/core/shared'
import type { Db } from '../db'

/** Notes that editions have been given to somebody to read, where that is not noted yet. */
export async function noteGiven(
  db: Db,
  personId: PersonId,
  editions: readonly { guideId: string; edition: number }[],
  now: number,
): Promise<void> {
  if (editions.length === 0) return
  await db.rows(
    `insert into edition_given (guide_id, edition, person_id, given_at)
     select distinct e.guide_id, e.edition, $1, $4::timestamptz from unnest($2::text[], $3::int[]) as e (guide_id, edition) on conflict do nothing`,
    [personId, editions.map((each) => each.guideId), editions.map((each) => each.edition), new Date(now)],
  )
}

type Row = { least_ms: number; active_ms: number; is_last: boolean }

/** Whether what the server itself knows agrees with somebody's having read an edition; see `isVouchedFor`. Of a guide with branches, the
 * steps that were seen count. */
export async function canVouchFor(
  tx: Db,
  personId: PersonId,
  known: { guide_id: string; edition: number; required_edition: number },
  now: number,
): Promise<boolean> {
  const given = await tx.one<{ at: Date | null }>(
    'select min(given_at) as at from edition_given where guide_id = $1 and person_id = $2 and edition between $3 and $4',
    [known.guide_id, personId, known.required_edition, known.edition],
  )
  const steps = await tx.rows<Row>(
    `with told as (
       select step_id, sum(active_ms)::float8 as active_ms, max(occurred_at) filter (where verb = 'step-viewed') as viewed_at from event
       where item_id = $1 and subject_id = $2 and item_kind = 'guide' and way = 'read' and edition between $3 and $4 and step_id is not null group by step_id)
     select x.least_ms, t.active_ms, t.viewed_at = max(t.viewed_at) over () as is_last
     from told t join edition_step x on x.guide_id = $1 and x.edition = $4 and x.step_id = t.step_id where t.viewed_at is not null`,
    [known.guide_id, personId, known.required_edition, known.edition],
  )
  const read = steps.map((row) => ({ leastMs: row.least_ms, activeMs: row.active_ms, isLast: row.is_last }))
  return isVouchedFor({
    givenAt: given?.at?.getTime() ?? null,
    receivedAt: now,
    steps: read,
    last: read.find((step) => step.isLast) ?? null,
  })
}
