import type { Migration } from '../migration'

/** What people are reminded of, each once for a due day; and one mail a day with all that they are told. */
export const reminders: Migration = {
  name: '0023-reminders',
  up: `
-- Stage: days from the due day, negative before it. Whoever somebody reports to is told under the same due day.
create table reminder (
  assignment_id text collate "C" not null references assignment on delete cascade, due_on date not null, stage integer not null, to_id text collate "C" not null references person,
  sent_at timestamptz not null, primary key (assignment_id, due_on, stage, to_id));
create table reminder_choice (person_id text collate "C" primary key references person, before_days integer not null);
create table day_mail (
  person_id text collate "C" not null references person, day date not null, sent_at timestamptz not null, entries integer not null, primary key (person_id, day));
create index inbox_entry_unmailed on inbox_entry (person_id, at) where read_at is null and mailed_at is null;
-- Mails that waited were about single entries; those who are to get one are found anew.
delete from jobs.job where data ->> 'name' = 'send-mail' and state in ('created', 'retry');
`,
  down: `
drop index inbox_entry_unmailed;
drop table day_mail, reminder_choice, reminder;
`,
}
