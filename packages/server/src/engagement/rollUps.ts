import type { Verbs } from '@jackdaw/core/events'
import type { RollUp } from '../eventRules'
import { finishesSql } from '../items'

/** Whether an event is a view: somebody begins to use something. SQL over the columns of `event`. */
export const beginsSql = (verbs: Verbs): string =>
  `verb = any ('{${Object.keys(verbs)
    .filter((name) => verbs[name]!.begins)
    .join(',')}}')`

/** How much each person used each item on each of their days. */
const useDays = (verbs: Verbs): RollUp => ({
  table: 'use_day',
  ofPersonAndItem: 'item_kind = $1 and item_id = $2 and person_id = $3',
  count: (source) => `
    insert into use_day as r (item_kind, item_id, person_id, local_day, views, finished, active_ms, at)
    select item_kind, item_id, subject_id, local_day, count(*) filter (where ${beginsSql(verbs)}), count(*) filter (where ${finishesSql(verbs)}), sum(active_ms), min(occurred_at)
    from ${source} where subject_kind = 'person' and item_id is not null and local_day is not null
      and (${beginsSql(verbs)} or ${finishesSql(verbs)} or active_ms > 0)
    group by item_kind, item_id, subject_id, local_day order by item_kind, item_id, subject_id, local_day
    on conflict (item_kind, item_id, person_id, local_day) do update set
      views = r.views + excluded.views, finished = r.finished + excluded.finished, active_ms = r.active_ms + excluded.active_ms, at = least(r.at, excluded.at)`,
})

/** What is counted of how everything is used. */
export const engagementRollUps = (verbs: Verbs): RollUp[] => [useDays(verbs)]
