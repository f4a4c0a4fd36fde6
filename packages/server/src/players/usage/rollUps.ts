import { waysWhere } from '@jackdaw/core/ways'
import type { RollUp } from '../../eventRules'

const OF_PERSON_AND_ITEM = `'guide' = $1 and guide_id = $2 and person_id = $3`
const words = (list: readonly string[]): string => list.map((each) => `'${each}'`).join(', ')
const OF_GUIDE = `subject_kind = 'person' and item_kind = 'guide'`
/** Ways that are counted by how often they are begun and finished; and those whose steps are counted too. */
const USES = `way in (${words(waysWhere('counts', 'uses', 'steps'))})`
const STEPS = `way in (${words(waysWhere('counts', 'steps'))})`

/** Who has acknowledged the cautions of a step, in which way of use: when first and last, how often, and in which edition last. */
const acknowledgements: RollUp = {
  table: 'acknowledgement',
  ofPersonAndItem: OF_PERSON_AND_ITEM,
  count: (source) => `
    insert into acknowledgement as a (guide_id, person_id, step_id, way, edition, first_at, last_at, times, attested)
    select item_id, subject_id, part_id, way, max(edition), min(occurred_at), max(occurred_at), count(*), bool_or(attested)
    from ${source} where ${OF_GUIDE} and verb = 'step-acknowledged' and part_id is not null
    group by item_id, subject_id, part_id, way order by item_id, subject_id, part_id, way
    on conflict (guide_id, person_id, step_id, way) do update set
      edition = greatest(a.edition, excluded.edition), first_at = least(a.first_at, excluded.first_at), last_at = greatest(a.last_at, excluded.last_at),
      times = a.times + excluded.times, attested = a.attested or excluded.attested`,
}

/** Watching, practising and attempts of a person: how often begun and finished, what it took, and the best result. */
const wayUses: RollUp = {
  table: 'way_use',
  ofPersonAndItem: OF_PERSON_AND_ITEM,
  count: (source) => `
    insert into way_use as u (guide_id, person_id, way, first_at, last_at, active_ms, begun, finished, tries, helped, best_percent, passed_edition, passed_at)
    select item_id, subject_id, way, min(occurred_at), max(occurred_at), sum(active_ms), count(*) filter (where verb = 'opened'), count(*) filter (where verb = 'finished'),
      coalesce(sum(tries), 0), count(*) filter (where help > 0), max(percent), max(edition) filter (where passed), min(occurred_at) filter (where passed)
    from ${source} where ${OF_GUIDE} and ${USES}
    group by item_id, subject_id, way order by item_id, subject_id, way
    on conflict (guide_id, person_id, way) do update set
      first_at = least(u.first_at, excluded.first_at), last_at = greatest(u.last_at, excluded.last_at), active_ms = u.active_ms + excluded.active_ms,
      begun = u.begun + excluded.begun, finished = u.finished + excluded.finished, tries = u.tries + excluded.tries, helped = u.helped + excluded.helped,
      best_percent = greatest(u.best_percent, excluded.best_percent), passed_edition = greatest(u.passed_edition, excluded.passed_edition),
      passed_at = least(u.passed_at, excluded.passed_at)`,
}

/** The same by step: how often it was done, how often right at once, and what it took. */
const waySteps: RollUp = {
  table: 'way_step',
  ofPersonAndItem: OF_PERSON_AND_ITEM,
  count: (source) => `
    insert into way_step as w (guide_id, person_id, way, step_id, times, right_first, tries, helped, failed)
    select item_id, subject_id, way, part_id, count(*), count(*) filter (where tries = 1 and help = 0 and done), sum(tries), count(*) filter (where help > 0), count(*) filter (where not done)
    from ${source} where ${OF_GUIDE} and ${STEPS} and verb = 'step-done' and tries + help > 0
    group by item_id, subject_id, way, part_id order by item_id, subject_id, way, part_id
    on conflict (guide_id, person_id, way, step_id) do update set
      times = w.times + excluded.times, right_first = w.right_first + excluded.right_first, tries = w.tries + excluded.tries,
      helped = w.helped + excluded.helped, failed = w.failed + excluded.failed`,
}

/** What is counted of how guides are used. */
export const usageRollUps: readonly RollUp[] = [acknowledgements, wayUses, waySteps]
