import type { Migration } from '../migration'

/** When people are away, and what leavers handed over to whom. */
export const absences: Migration = {
  name: '0018-absences',
  up: `
create table absence (
  id bigint generated always as identity primary key, person_id text not null references person, from_on date not null, until_on date not null check (until_on >= from_on),
  by_id text not null references person, created_at timestamptz not null);
create index absence_person on absence (person_id, until_on);
-- What a leaver had, by kind and id; whoever returns gets it back from whom it went to.
create table handover (
  person_id text not null references person, kind text not null, thing_id text not null, to_id text not null references person, at timestamptz not null,
  primary key (person_id, kind, thing_id));
`,
  down: 'drop table absence, handover;',
}
