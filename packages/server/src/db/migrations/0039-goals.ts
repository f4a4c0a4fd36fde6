import type { Migration } from '../migration'

/** What people are to come to after having begun something, within so many days; several things in a row. */
export const goals: Migration = {
  name: '0039-goals',
  up: `
create table goal (
  id text collate "C" primary key, name text not null, from_kind text collate "C" not null, from_id text collate "C" not null, steps jsonb not null, made_by text collate "C" not null references person,
  made_at timestamptz not null, foreign key (from_kind, from_id) references item (kind, id));
`,
  down: `
drop table goal;
`,
}
