import type { Migration } from '../migration'

/** What readers say is wrong at a step. */
export const remarks: Migration = {
  name: '0007-remarks',
  up: `
create table remark (
  id text primary key, guide_id text not null, edition integer not null, step_id text not null, person_id text not null references person,
  way text not null, words text not null, device text not null, said_at timestamptz not null, done_at timestamptz, done_by text references person,
  foreign key (guide_id, edition, step_id) references edition_step (guide_id, edition, step_id));
create index remark_open on remark (guide_id) where done_at is null;
`,
  down: 'drop table remark;',
}
