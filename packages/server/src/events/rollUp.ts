import { ALL_ITEM_KINDS, ITEM_KINDS, type KindOfItem } from '@jackdaw/core/items'

const kinds = (of: (kind: KindOfItem) => string): string =>
  `(${ALL_ITEM_KINDS.map((kind) => `item_kind = '${kind}' and ${of(ITEM_KINDS[kind])}`).join(' or ')})`
/** Whether an event says how far somebody is with an item, as its kind declares it. */
const isProgress = (): string => kinds(({ progress }) => `way in (${progress.ways.map((way) => `'${way}'`).join(', ')})`)
/** Whether an event finishes an item. */
const isDone = (): string => `(${isProgress()} and verb = 'finished' and ${kinds(({ done }) => (done === 'passed' ? 'passed' : 'true'))})`

/** What is counted from events, as SQL over a set of event rows. Every figure is a smallest, largest or sum, so that it does not
 * matter in which order, or in how many batches, the events came. Used for new events and for the full recount alike.
 * @param source a relation with the columns of the table `event` */
export const rollUpParts = (source: string): string => `
  insert into part_progress as r (item_kind, item_id, person_id, part_id, seen_edition, acknowledged_edition, confirmed_edition, active_ms)
  select item_kind, item_id, subject_id, step_id,
    max(edition) filter (where verb = 'step-viewed'), max(edition) filter (where verb = 'step-acknowledged'),
    max(edition) filter (where verb = 'step-confirmed'), sum(active_ms)
  from ${source} where ${isProgress()} and step_id is not null
  group by item_kind, item_id, subject_id, step_id order by item_kind, item_id, subject_id, step_id
  on conflict (item_kind, item_id, person_id, part_id) do update set
    seen_edition = greatest(r.seen_edition, excluded.seen_edition),
    acknowledged_edition = greatest(r.acknowledged_edition, excluded.acknowledged_edition), confirmed_edition = greatest(r.confirmed_edition, excluded.confirmed_edition), active_ms = r.active_ms + excluded.active_ms`

/** Whether the end of the newest finished edition is vouched for. */
const vouched = (row: string): string => `coalesce(${row}.attested_edition = ${row}.finished_edition, false)`
/** How far somebody is with an item. There is a row as soon as they have used it in any way; the figures are those of the ways that say how far
 * they are. */
export const rollUpProgress = (source: string): string => `
  insert into item_progress as r (item_kind, item_id, person_id, started_at, last_at, active_ms, last_part_id, last_part_at, finished_edition, finished_at, attested_edition)
  select s.item_kind, s.item_id, s.subject_id, min(s.occurred_at) filter (where s.counts), max(s.occurred_at) filter (where s.counts), coalesce(sum(s.active_ms) filter (where s.counts), 0),
    (array_agg(s.step_id order by s.occurred_at desc, s.step_id desc) filter (where s.counts and s.verb = 'step-viewed'))[1], max(s.occurred_at) filter (where s.counts and s.verb = 'step-viewed'),
    max(s.edition) filter (where s.finishes),
    (array_agg(s.occurred_at order by s.edition desc, s.attested desc, s.occurred_at) filter (where s.finishes))[1],
    max(s.edition) filter (where s.finishes and s.attested)
  from (select *, ${isProgress()} as counts, ${isDone()} as finishes from ${source}) s
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
    finished_edition = greatest(r.finished_edition, excluded.finished_edition), attested_edition = greatest(r.attested_edition, excluded.attested_edition)`

/** Who has acknowledged the cautions of a step, in which way of use: when first and last, how often, and in which edition last. */
export const rollUpAcknowledgements = (source: string): string => `
  insert into acknowledgement as a (guide_id, person_id, step_id, way, edition, first_at, last_at, times, attested)
  select item_id, subject_id, step_id, way, max(edition), min(occurred_at), max(occurred_at), count(*), bool_or(attested)
  from ${source} where item_kind = 'guide' and verb = 'step-acknowledged' and step_id is not null
  group by item_id, subject_id, step_id, way order by item_id, subject_id, step_id, way
  on conflict (guide_id, person_id, step_id, way) do update set
    edition = greatest(a.edition, excluded.edition), first_at = least(a.first_at, excluded.first_at), last_at = greatest(a.last_at, excluded.last_at),
    times = a.times + excluded.times, attested = a.attested or excluded.attested`

/** Watching, practising and tests of a person: how often begun and finished, what it took, and the best result. */
export const rollUpWays = (source: string): string => `
  insert into way_use as u (guide_id, person_id, way, first_at, last_at, active_ms, begun, finished, tries, helped, best_percent, passed_edition, passed_at)
  select item_id, subject_id, way, min(occurred_at), max(occurred_at), sum(active_ms), count(*) filter (where verb = 'opened'), count(*) filter (where verb = 'finished'),
    coalesce(sum(tries), 0), count(*) filter (where help > 0), max(percent), max(edition) filter (where passed), min(occurred_at) filter (where passed)
  from ${source} where item_kind = 'guide' and way <> 'read'
  group by item_id, subject_id, way order by item_id, subject_id, way
  on conflict (guide_id, person_id, way) do update set
    first_at = least(u.first_at, excluded.first_at), last_at = greatest(u.last_at, excluded.last_at), active_ms = u.active_ms + excluded.active_ms,
    begun = u.begun + excluded.begun, finished = u.finished + excluded.finished, tries = u.tries + excluded.tries, helped = u.helped + excluded.helped,
    best_percent = greatest(u.best_percent, excluded.best_percent), passed_edition = greatest(u.passed_edition, excluded.passed_edition),
    passed_at = least(u.passed_at, excluded.passed_at)`

/** The same by step: how often it was done, how often right at once, and what it took. */
export const rollUpWaySteps = (source: string): string => `
  insert into way_step as w (guide_id, person_id, way, step_id, times, right_first, tries, helped, failed)
  select item_id, subject_id, way, step_id, count(*), count(*) filter (where tries = 1 and help = 0 and done), sum(tries), count(*) filter (where help > 0), count(*) filter (where not done)
  from ${source} where item_kind = 'guide' and way <> 'read' and verb = 'step-done' and tries + help > 0
  group by item_id, subject_id, way, step_id order by item_id, subject_id, way, step_id
  on conflict (guide_id, person_id, way, step_id) do update set
    times = w.times + excluded.times, right_first = w.right_first + excluded.right_first, tries = w.tries + excluded.tries,
    helped = w.helped + excluded.helped, failed = w.failed + excluded.failed`
