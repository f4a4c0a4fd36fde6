import type { Migration } from '../migration'

/** Questions at steps of guides, and what was answered. Who has answered an anonymous one is known, but not what. */
export const surveys: Migration = {
  name: '0037-surveys',
  up: `
create table survey (
  id text collate "C" primary key, item_kind text collate "C" not null, item_id text collate "C" not null, part_id text collate "C" not null,
  asked_when text not null check (asked_when in ('come', 'leave')), question jsonb not null, anonymous boolean not null, most integer not null, answers integer not null default 0,
  asked_by text collate "C" not null references person, asked_at timestamptz not null, ended_at timestamptz, foreign key (item_kind, item_id) references item);
create index survey_item on survey (item_kind, item_id, asked_at);
create table survey_answer (
  id text collate "C" primary key, survey_id text collate "C" not null references survey, person_id text collate "C" references person, value integer, comment text not null, answered_at timestamptz,
  check ((person_id is null) = (answered_at is null)));
create index survey_answer_survey on survey_answer (survey_id);
create table survey_done (survey_id text collate "C" not null references survey, person_id text collate "C" not null references person, primary key (survey_id, person_id));
`,
  down: `
drop table survey_done, survey_answer, survey;
`,
}
