import type { Migration } from '../migration'

/** What people sought, how much was found, and what they opened of it. `key`: by which the same in other letters is known. */
export const searches: Migration = {
  name: '0040-searches',
  up: `
create table search (
  id text collate "C" primary key, person_id text collate "C" not null references person, at timestamptz not null, local_day date not null, words text not null, key text not null,
  found integer not null, opened_kind text collate "C", opened_id text collate "C", foreign key (opened_kind, opened_id) references item (kind, id));
create index search_day on search (local_day);
create index search_person on search (person_id, local_day);
`,
  down: `
drop table search;
`,
}
