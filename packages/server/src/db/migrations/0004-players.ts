import type { Migration } from '../migration'

/** Ways of using a guide besides reading it: where somebody is, tests that the server judges, and what is counted of them. */
export const players: Migration = {
  name: '0004-players',
  up: `
-- Guides that go on otherwise than from each step to the next: what has to be read of them is asked of the document.
alter table edition add column branches boolean not null default false;

-- Where a person is in a guide that they watch or practise, as their browser tells it.
create table play (
  person_id text not null references person, guide_id text not null references guide, way text not null, edition integer not null,
  play_id text not null, state jsonb not null, saved_at timestamptz not null, primary key (person_id, guide_id, way));

-- A test. Its state is the server's own; what came of it is a fact that is never computed anew.
create table attempt (
  id text primary key, guide_id text not null, edition integer not null, person_id text not null references person, number integer not null,
  rules integer not null, language text not null, opened_at timestamptz not null, expires_at timestamptz not null, acts integer not null, state jsonb not null,
  ended_at timestamptz, ended text check (ended in ('finished', 'given-up', 'expired')),
  percent integer, passed boolean, pass_mark integer not null, judged integer, right_first integer, tries integer, active_ms integer, missed jsonb,
  unique (guide_id, person_id, number), foreign key (guide_id, edition) references edition (guide_id, number));
create unique index attempt_open on attempt (guide_id, person_id) where ended_at is null;
create index attempt_person on attempt (person_id);
-- Every act of a test in order, from which its state can be had again.
create table attempt_act (
  attempt_id text not null references attempt, n integer not null, act_id text not null, event jsonb not null, verdict jsonb, acted_at timestamptz not null,
  primary key (attempt_id, n));

alter table event add column play_id text, add column tries integer, add column help smallint, add column done boolean, add column percent integer, add column passed boolean;
-- What is counted from events of the other ways; as with reading, every figure is a smallest, largest or sum.
create table way_use (
  guide_id text not null, person_id text not null, way text not null, first_at timestamptz not null, last_at timestamptz not null, active_ms bigint not null,
  begun integer not null, finished integer not null, tries integer not null, helped integer not null,
  best_percent integer, passed_edition integer, passed_at timestamptz, primary key (guide_id, person_id, way));
create table way_step (
  guide_id text not null, person_id text not null, way text not null, step_id text not null,
  times integer not null, right_first integer not null, tries integer not null, helped integer not null, failed integer not null, primary key (guide_id, person_id, way, step_id));
`,
  down: `
drop table way_step, way_use, attempt_act, attempt, play;
alter table event drop column play_id, drop column tries, drop column help, drop column done, drop column percent, drop column passed;
alter table edition drop column branches;
`,
}
