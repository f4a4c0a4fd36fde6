import type { Migration } from '../migration'

/** Gives the written replies in what is being written a rubric without lines, as SQL. @param list where questions stand in a document */
const inDocuments = (table: string, list: string, path: string, question: string): string => `
update ${table} d set document = jsonb_set(d.document, '{${list}}', (
  select jsonb_agg(case when ${question} ->> 'kind' = 'written' and not (${question} -> 'key') ? 'criteria' then jsonb_set(x, '${path}', '[]') else x end order by n)
  from jsonb_array_elements(d.document -> '${list}') with ordinality l (x, n)))
where exists (select 1 from jsonb_array_elements(d.document -> '${list}') x where ${question} ->> 'kind' = 'written' and not (${question} -> 'key') ? 'criteria');`

/** How people have judged replies, and who is asked to; what was put right of questions that turned out wrong. Drafts that were written before name nobody
 * who judges. */
export const judging: Migration = {
  name: '0029-judging',
  up: `
create table reply_grade (
  attempt_id text collate "C" not null references quiz_attempt, question_id text collate "C" not null, grader_id text collate "C" not null references person, points jsonb not null, words text not null,
  given_at timestamptz not null, primary key (attempt_id, question_id, grader_id));
create index reply_grade_grader on reply_grade (grader_id);
create table reply_asked (
  attempt_id text collate "C" not null references quiz_attempt, person_id text collate "C" not null references person, primary key (attempt_id, person_id));
create index reply_asked_person on reply_asked (person_id);
create table quiz_amendment (
  id text collate "C" primary key, quiz_id text collate "C" not null references quiz, question_id text collate "C" not null, how text not null, question jsonb not null, reason text not null,
  by_id text collate "C" not null references person, at timestamptz not null, done_at timestamptz);
create index quiz_amendment_quiz on quiz_amendment (quiz_id, at);
create table quiz_attempt_change (
  attempt_id text collate "C" not null references quiz_attempt, amendment_id text collate "C" not null references quiz_amendment, change text not null, at timestamptz not null,
  before_percent integer not null, before_passed boolean not null, after_percent integer not null, after_passed boolean not null, primary key (attempt_id, amendment_id));
create index quiz_attempt_change_amendment on quiz_attempt_change (amendment_id);
alter table quiz_attempt add column counted integer;
create index quiz_attempt_waits on quiz_attempt (quiz_id) where ended_at is not null and passed is null;
${inDocuments('quiz', 'parts', '{question,key,criteria}', "x -> 'question'")}
${inDocuments('question_bank', 'questions', '{key,criteria}', 'x')}
update quiz set document = document || '{"graders": {"people": [], "two": false, "third": null}}' where not document ? 'graders';
`,
  down: `
update quiz set document = document - 'graders';
delete from inbox_entry where kind in ('to-judge', 'judged', 'result-put-right');
delete from mail_choice where kind in ('to-judge', 'judged', 'result-put-right');
alter table quiz_attempt drop column counted;
drop table quiz_attempt_change, quiz_amendment;
drop index quiz_attempt_waits;
drop table reply_asked, reply_grade;
`,
}
