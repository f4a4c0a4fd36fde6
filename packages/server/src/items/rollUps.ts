import type { Verb, Verbs } from '@jackdaw/core/events'
import { ALL_ITEM_KINDS, ITEM_KINDS, type KindOfItem } from '@jackdaw/core/items'
import type { RollUp } from '../eventRules'

const words = (list: readonly string[]): string => list.map((each) => `'${each}'`).join(', ')
const kinds = (of: (kind: KindOfItem) => string): string =>
  `(${ALL_ITEM_KINDS.map((kind) => `item_kind = '${kind}' and ${of(ITEM_KINDS[kind])}`).join(' or ')})`
/** Whether an event says how far somebody is with an item, as its kind declares it. */
const IS_PROGRESS = kinds(({ ways }) => (ways.length > 0 ? `way in (${words(ways)})` : 'way is null'))
const IS_ENOUGH = kinds(({ done }) => (done === 'passed' ? 'passed' : 'true'))
/** Whether an event marks something, by what the verbs declare. */
const marks = (verbs: Verbs, mark: Verb['marks']): string =>
  `verb = any ('{${Object.keys(verbs)
    .filter((name) => verbs[name]!.marks === mark)
    .join(',')}}')`
const OF_PERSON_AND_ITEM = 'item_kind = $1 and item_id = $2 and person_id = $3'

/** What somebody has gone through, acknowledged and confirmed of an item, by part. */
const partProgress = (verbs: Verbs): RollUp => ({
  table: 'part_progress',
  ofPersonAndItem: OF_PERSON_AND_ITEM,
  count: (source) => `
    insert into part_progress as r (item_kind, item_id, person_id, part_id, seen_edition, acknowledged_edition, confirmed_edition, seen_at, acknowledged_at, confirmed_at, active_ms)
    select item_kind, item_id, subject_id, part_id, ${['max(edition)', 'max(occurred_at)']
      .flatMap((last) => (['seen', 'acknowledged', 'confirmed'] as const).map((mark) => `${last} filter (where ${marks(verbs, mark)})`))
      .join(', ')}, sum(active_ms)
    from ${source} where subject_kind = 'person' and ${IS_PROGRESS} and part_id is not null
    group by item_kind, item_id, subject_id, part_id order by item_kind, item_id, subject_id, part_id
    on conflict (item_kind, item_id, person_id, part_id) do update set
      seen_edition = greatest(r.seen_edition, excluded.seen_edition), acknowledged_edition = greatest(r.acknowledged_edition, excluded.acknowledged_edition),
      confirmed_edition = greatest(r.confirmed_edition, excluded.confirmed_edition),
      seen_at = greatest(r.seen_at, excluded.seen_at), acknowledged_at = greatest(r.acknowledged_at, excluded.acknowledged_at), confirmed_at = greatest(r.confirmed_at, excluded.confirmed_at),
      active_ms = r.active_ms + excluded.active_ms`,
})

/** Whether the end of the newest finished edition is vouched for. */
const vouched = (row: string): string => `coalesce(${row}.attested_edition = ${row}.finished_edition, false)`
/** When the newest edition of those was finished last. Editions on the right are still those from before. */
const lastOf = (which: 'finished' | 'attested'): string => {
  const [edition, at] = [`${which}_edition`, `last_${which}_at`]
  return `case
        when excluded.${edition} is null then r.${at}
        when r.${edition} is null or excluded.${edition} > r.${edition} then excluded.${at}
        when excluded.${edition} < r.${edition} then r.${at}
        else greatest(r.${at}, excluded.${at}) end`
}
/** Whether an event finishes an item, as far as its kind asks for it. SQL over the columns of `event`. */
export const finishesSql = (verbs: Verbs): string => `(${IS_PROGRESS} and ${marks(verbs, 'finished')} and coalesce(${IS_ENOUGH}, false))`

/** How far somebody is with an item. There is a row as soon as they have used it in any way; its figures are those of the ways that count. */
const itemProgress = (verbs: Verbs): RollUp => ({
  table: 'item_progress',
  ofPersonAndItem: OF_PERSON_AND_ITEM,
  count: (source) => `
    insert into item_progress as r (item_kind, item_id, person_id, started_at, last_at, active_ms, last_part_id, last_part_at, finished_edition, finished_at, attested_edition, last_finished_at, last_attested_at, handed_in_at, answered_at)
    select s.item_kind, s.item_id, s.subject_id, min(s.occurred_at) filter (where s.counts), max(s.occurred_at) filter (where s.counts), coalesce(sum(s.active_ms) filter (where s.counts), 0),
      (array_agg(s.part_id order by s.occurred_at desc, s.part_id desc) filter (where s.counts and s.sees))[1], max(s.occurred_at) filter (where s.counts and s.sees),
      max(s.edition) filter (where s.finishes),
      (array_agg(s.occurred_at order by s.edition desc, s.attested desc, s.occurred_at) filter (where s.finishes))[1],
      max(s.edition) filter (where s.finishes and s.attested),
      (array_agg(s.occurred_at order by s.edition desc, s.occurred_at desc) filter (where s.finishes))[1],
      (array_agg(s.occurred_at order by s.edition desc, s.occurred_at desc) filter (where s.finishes and s.attested))[1],
      max(s.occurred_at) filter (where s.hands_in), max(s.occurred_at) filter (where s.answers)
    from (select *, ${IS_PROGRESS} as counts, ${marks(verbs, 'seen')} as sees, ${finishesSql(verbs)} as finishes,
        ${IS_PROGRESS} and ${marks(verbs, 'handed-in')} as hands_in, ${IS_PROGRESS} and (${marks(verbs, 'answered')} or way is null and ${marks(verbs, 'finished')}) as answers
      from ${source} where subject_kind = 'person' and item_id is not null) s
    group by s.item_kind, s.item_id, s.subject_id order by s.item_kind, s.item_id, s.subject_id
    on conflict (item_kind, item_id, person_id) do update set
      started_at = least(r.started_at, excluded.started_at), last_at = greatest(r.last_at, excluded.last_at), active_ms = r.active_ms + excluded.active_ms,
      last_part_id = case when r.last_part_at is null or (excluded.last_part_at, excluded.last_part_id) > (r.last_part_at, r.last_part_id) then coalesce(excluded.last_part_id, r.last_part_id) else r.last_part_id end,
      last_part_at = greatest(r.last_part_at, excluded.last_part_at),
      finished_at = case
        when excluded.finished_edition is null then r.finished_at
        when r.finished_edition is null or excluded.finished_edition > r.finished_edition then excluded.finished_at
        when excluded.finished_edition < r.finished_edition then r.finished_at
        when ${vouched('excluded')} = ${vouched('r')} then least(r.finished_at, excluded.finished_at)
        when ${vouched('excluded')} then excluded.finished_at
        else r.finished_at end,
      last_finished_at = ${lastOf('finished')}, last_attested_at = ${lastOf('attested')},
      handed_in_at = greatest(r.handed_in_at, excluded.handed_in_at), answered_at = greatest(r.answered_at, excluded.answered_at),
      finished_edition = greatest(r.finished_edition, excluded.finished_edition), attested_edition = greatest(r.attested_edition, excluded.attested_edition)`,
})

/** What is counted of items of every kind. @param verbs all that are declared */
export const itemRollUps = (verbs: Verbs): RollUp[] => [partProgress(verbs), itemProgress(verbs)]
