import type { Migration } from '../migration'

/** What people have marked to find it again. */
export const favourites: Migration = {
  name: '0024-favourites',
  up: `
create table favourite (
  person_id text collate "C" not null references person, item_kind text collate "C" not null, item_id text collate "C" not null, at timestamptz not null,
  primary key (person_id, item_kind, item_id), foreign key (item_kind, item_id) references item);
`,
  down: `
drop table favourite;
`,
}
