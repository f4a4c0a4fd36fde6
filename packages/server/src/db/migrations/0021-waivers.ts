import type { Migration } from '../migration'

/** Assignments can be given another due day by hand, and be waived with a reason; what was waived by whom, and when that ended, stays. */
export const waivers: Migration = {
  name: '0021-waivers',
  up: `
alter table assignment add column moved_on date, add column waived_at timestamptz;
create table waiver (
  id text collate "C" primary key, person_id text collate "C" not null references person, item_kind text collate "C" not null, item_id text collate "C" not null,
  why text not null, by_id text collate "C" not null references person, at timestamptz not null, ended_at timestamptz, ended_by text collate "C" references person,
  foreign key (item_kind, item_id) references item);
create unique index waiver_now on waiver (person_id, item_kind, item_id) where ended_at is null;
create index waiver_item on waiver (item_kind, item_id);
`,
  down: `
drop table waiver;
alter table assignment drop column moved_on, drop column waived_at;
`,
}
