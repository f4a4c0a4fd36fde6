import type { Migration } from '../migration'

/** Answers without names are held back until they are enough not to be told apart. */
export const heldAnswers: Migration = {
  name: '0049-held-answers',
  up: `
alter table survey_answer add column held boolean not null default false;
alter table audience_survey_answer add column held boolean not null default false;
update audience_survey_answer a set held = true from audience_survey s
  where s.id = a.survey_id and s.anonymous and (select count(*) from audience_survey_answer o where o.survey_id = s.id) < 5;
alter table survey_answer alter column held drop default;
alter table audience_survey_answer alter column held drop default;
`,
  down: `
alter table audience_survey_answer drop column held;
alter table survey_answer drop column held;
`,
}
