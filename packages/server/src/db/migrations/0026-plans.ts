import type { Migration } from '../migration'

/** Plans: what people go through in stages, who goes through one, and which stages they have come to. */
export const plans: Migration = {
  name: '0026-plans',
  up: `
create table plan (
  id text collate "C" primary key, owner_id text collate "C" not null references person, revision integer not null, document jsonb not null, edition integer, archived_at timestamptz,
  created_at timestamptz not null, changed_at timestamptz not null, changed_by text collate "C" not null references person);
create table plan_edition (
  plan_id text collate "C" not null references plan, number integer not null, revision integer not null, document jsonb not null,
  published_at timestamptz not null, published_by text collate "C" not null references person, primary key (plan_id, number));
create table plan_giving (
  id text collate "C" primary key, plan_id text collate "C" not null references plan, audience_id text collate "C" not null references audience,
  mentor_id text collate "C" references person, given_by text collate "C" not null references person, given_at timestamptz not null);
create index plan_giving_plan on plan_giving (plan_id);
create index plan_giving_audience on plan_giving (audience_id);
create table enrolment (
  id text collate "C" primary key, plan_id text collate "C" not null, edition integer not null, person_id text collate "C" not null references person, start_on date not null,
  mentor_id text collate "C" references person, given_by text collate "C" not null references person, given_at timestamptz not null, over_at timestamptz, ended_at timestamptz,
  giving_id text collate "C" references plan_giving on delete set null,
  foreign key (plan_id, edition) references plan_edition);
create unique index enrolment_one on enrolment (plan_id, person_id) where ended_at is null;
create index enrolment_person on enrolment (person_id);
create index enrolment_under_way on enrolment (id) where over_at is null and ended_at is null;
create table enrolment_stage (
  enrolment_id text collate "C" not null references enrolment, stage_id text collate "C" not null, released_on date not null, released_at timestamptz not null,
  primary key (enrolment_id, stage_id));
create table enrolment_hold (
  enrolment_id text collate "C" not null references enrolment, from_on date not null, until_on date, why text not null, held_by text collate "C" not null references person,
  primary key (enrolment_id, from_on));
`,
  down: `
delete from assignment_reason where kind = 'plan';
delete from assignment a where not exists (select 1 from assignment_reason r where r.assignment_id = a.id) and a.use <> 'optional';
drop table enrolment_hold, enrolment_stage, enrolment, plan_giving, plan_edition, plan;
`,
}
