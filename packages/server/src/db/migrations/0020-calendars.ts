import type { Migration } from '../migration'

/** When people of a site work. Each reason for which somebody has an item says by when, and since when it counts: due days can be counted anew. */
export const calendars: Migration = {
  name: '0020-calendars',
  up: `
create table site_calendar (
  site_id text collate "C" primary key references people_group, days_off jsonb not null, changed_at timestamptz not null);
create table holiday (
  site_id text collate "C" not null references people_group, day date not null, name text not null, primary key (site_id, day));
alter table assignment_reason add column due jsonb, add column counts_from timestamptz;
update assignment_reason r set due = x.due, counts_from = a.assigned_at
  from assignment a join item_audience x on x.item_kind = a.item_kind and x.item_id = a.item_id where a.id = r.assignment_id;
alter table assignment_reason alter column due set not null, alter column counts_from set not null;
`,
  down: `
alter table assignment_reason drop column due, drop column counts_from;
drop table holiday, site_calendar;
`,
}
