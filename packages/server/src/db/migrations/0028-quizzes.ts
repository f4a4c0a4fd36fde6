import type { Migration } from '../migration'

const access = (quizzes: string) => `
create view item_access (person_id, item_kind, item_id, why) as
  select a.person_id, i.kind, i.id, 'assigned' from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id
    where i.archived_at is null and i.edition is not null
  union all
  select p.id, i.kind, i.id, 'open' from item i cross join person p where i.open_to_all and i.archived_at is null and i.edition is not null
  union all
  select p.id, 'guide', g.id, 'own' from guide g join person p on p.id = g.owner_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, 'guide', s.guide_id, 'shared' from guide_share s join person p on p.id = s.person_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, 'guide', g.id, 'any' from guide g cross join person p where 'guides.all' = any (p.permissions)
  union all
  select p.id, 'task', t.id, 'own' from task t join person p on p.id = t.owner_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, 'task', t.id, 'any' from task t cross join person p where 'guides.all' = any (p.permissions)${quizzes};
`
const OF_QUIZZES = `
  union all
  select p.id, 'quiz', q.id, 'own' from quiz q join person p on p.id = q.owner_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, 'quiz', q.id, 'any' from quiz q cross join person p where 'guides.all' = any (p.permissions)`

/** Quizzes, the banks from which they draw, attempts at them, and what was answered. */
export const quizzes: Migration = {
  name: '0028-quizzes',
  up: `
create table quiz (
  id text collate "C" primary key, number integer generated always as identity unique, owner_id text collate "C" not null references person, revision integer not null, document jsonb not null,
  created_at timestamptz not null, changed_at timestamptz not null, changed_by text collate "C" not null references person);
create index quiz_owner on quiz (owner_id);
create table question_bank (
  id text collate "C" primary key, number integer generated always as identity unique, owner_id text collate "C" not null references person, revision integer not null, document jsonb not null,
  created_at timestamptz not null, changed_at timestamptz not null, changed_by text collate "C" not null references person, archived_at timestamptz);
create index question_bank_owner on question_bank (owner_id);
create table bank_picture (
  picture_id text collate "C" primary key references picture, bank_id text collate "C" not null references question_bank);
create index bank_picture_bank on bank_picture (bank_id);
create table quiz_pool (
  quiz_id text collate "C" not null references quiz, edition integer not null, bank_id text collate "C" not null references question_bank, revision integer not null,
  primary key (quiz_id, edition, bank_id));
create index quiz_pool_bank on quiz_pool (bank_id);
create table quiz_attempt (
  id text collate "C" primary key, quiz_id text collate "C" not null references quiz, edition integer not null, person_id text collate "C" not null references person, number integer not null,
  seed bigint not null, drawn text[] not null, language text not null, opened_at timestamptz not null, ends_at timestamptz, ended_at timestamptz, ended text,
  rules integer, points double precision, most double precision, percent integer, passed boolean, right_count integer, active_ms integer not null, unique (quiz_id, person_id, number));
create unique index quiz_attempt_open on quiz_attempt (quiz_id, person_id) where ended_at is null;
create index quiz_attempt_person on quiz_attempt (person_id);
create index quiz_attempt_ends on quiz_attempt (ends_at) where ended_at is null;
create table quiz_answer (
  attempt_id text collate "C" not null references quiz_attempt, question_id text collate "C" not null, answer jsonb, revision integer not null, saved_at timestamptz not null, active_ms integer not null,
  verdict text, points double precision, most double precision, choices text[], primary key (attempt_id, question_id));
create index quiz_answer_question on quiz_answer (question_id, attempt_id);
create table quiz_allowance (
  quiz_id text collate "C" not null references quiz, person_id text collate "C" not null references person, extra_percent integer not null, extra_attempts integer not null,
  allowed_by text collate "C" not null references person, allowed_at timestamptz not null, primary key (quiz_id, person_id));
drop view item_access;
${access(OF_QUIZZES)}`,
  down: `
drop view item_access;
${access('')}
delete from inbox_entry where about_kind = 'quiz' or kind in ('quiz-result', 'time-over');
delete from mail_choice where kind in ('quiz-result', 'time-over');
delete from favourite where item_kind = 'quiz';
drop table quiz_allowance, quiz_answer, quiz_attempt, quiz_pool, bank_picture, question_bank, quiz;
delete from part_progress where item_kind = 'quiz';
delete from item_progress where item_kind = 'quiz';
delete from reminder x using assignment a where a.id = x.assignment_id and a.item_kind = 'quiz';
delete from assignment_reason x using assignment a where a.id = x.assignment_id and a.item_kind = 'quiz';
delete from assignment where item_kind = 'quiz';
delete from waiver where item_kind = 'quiz';
delete from giving where item_kind = 'quiz';
delete from picture_use where item_kind = 'quiz';
delete from edition where item_kind = 'quiz';
delete from item where kind = 'quiz';
`,
}
