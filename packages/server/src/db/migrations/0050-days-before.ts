import type { Migration } from '../migration'

/** On which day before each day of use somebody viewed the same thing, and finished it, last: how many people it were is then counted without putting their days together. */
export const daysBefore: Migration = {
  name: '0050-days-before',
  up: `
alter table use_day add column viewed_before date, add column finished_before date;
update use_day u set viewed_before = f.viewed, finished_before = f.finished
from (
  select s.item_kind, s.item_id, s.person_id, s.local_day, max(s.local_day) filter (where s.views > 0) over earlier as viewed, max(s.local_day) filter (where s.finished > 0) over earlier as finished
  from use_day s window earlier as (partition by s.item_kind, s.item_id, s.person_id order by s.local_day rows between unbounded preceding and 1 preceding)) f
where u.item_kind = f.item_kind and u.item_id = f.item_id and u.person_id = f.person_id and u.local_day = f.local_day and (f.viewed is not null or f.finished is not null);
`,
  down: `
alter table use_day drop column viewed_before, drop column finished_before;
`,
}
