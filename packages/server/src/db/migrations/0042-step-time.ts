import type { Migration } from '../migration'

const OF_TIME = `subject_kind = 'person' and item_kind = 'guide' and way is not null and local_day is not null and part_id is not null and active_ms > 0`
const VISIT = `coalesce(visit, way || ' ' || local_day)`

/** How long each visit spent at each step. Of a step of which only that was told it is not known when the visit came to it. */
export const stepTime: Migration = {
  name: '0042-step-time',
  up: `
alter table use_step alter column first_at drop not null, alter column last_at drop not null, add column active_ms bigint not null default 0;
insert into use_step as r (item_kind, item_id, person_id, visit, part_id, active_ms)
  select item_kind, item_id, subject_id, ${VISIT}, part_id, sum(active_ms) from event_counted where ${OF_TIME} group by item_kind, item_id, subject_id, ${VISIT}, part_id
  on conflict (item_kind, item_id, person_id, visit, part_id) do update set active_ms = excluded.active_ms;
alter table use_step alter column active_ms drop default;
`,
  down: `
delete from use_step where first_at is null;
alter table use_step alter column first_at set not null, alter column last_at set not null, drop column active_ms;
`,
}
