import type { Migration } from '../migration'

/** Questions that are put to an audience, and what was answered. Who has answered one without names is known, but not what. */
export const audienceSurveys: Migration = {
  name: '0044-audience-surveys',
  up: `
create table audience_survey (
  id text collate "C" primary key, document jsonb not null, audience_id text collate "C" not null references audience, anonymous boolean not null, until date,
  sent_by text collate "C" not null references person, sent_at timestamptz not null, ended_at timestamptz);
create table audience_survey_asked (
  survey_id text collate "C" not null references audience_survey, person_id text collate "C" not null references person, done boolean not null, primary key (survey_id, person_id));
create index audience_survey_open on audience_survey_asked (person_id) where not done;
create table audience_survey_answer (
  id text collate "C" primary key, survey_id text collate "C" not null references audience_survey, person_id text collate "C" references person, answers jsonb not null, answered_at timestamptz,
  check ((person_id is null) = (answered_at is null)));
create index audience_survey_answer_survey on audience_survey_answer (survey_id);
`,
  down: `
delete from inbox_entry where about_kind = 'survey';
drop table audience_survey_answer, audience_survey_asked, audience_survey;
`,
}
