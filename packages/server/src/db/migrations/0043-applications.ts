import type { Migration } from '../migration'

/** Applications that are connected, and what they told of what people did. */
export const applications: Migration = {
  name: '0043-applications',
  up: `
create table application (
  id text collate "C" primary key, name text not null, scopes text[] not null, token_hash text collate "C" not null unique, owner_id text collate "C" not null references person,
  made_at timestamptz not null, used_at timestamptz, ended_at timestamptz);
create table told_act (
  application_id text collate "C" not null references application, id text collate "C" not null, person_id text collate "C" not null references person, name text not null, at timestamptz not null,
  received_at timestamptz not null, primary key (application_id, id));
create index told_act_person on told_act (person_id, name, at);
create index told_act_name on told_act (name);
`,
  down: `
delete from goal where steps::text like '%"act"%';
drop table told_act, application;
`,
}
