import type { Migration } from '../migration'

/** Days from which something is different, with a name, between which use is looked at. */
export const releases: Migration = {
  name: '0038-releases',
  up: `
create table release (
  id text collate "C" primary key, name text not null, day date not null, made_by text collate "C" not null references person, made_at timestamptz not null);
create unique index release_day on release (day);
`,
  down: `
drop table release;
`,
}
