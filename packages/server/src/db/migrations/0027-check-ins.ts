import type { Migration } from '../migration'

/** Check-ins: what somebody who goes through a plan and whoever they report to are asked, and what each has answered. */
export const checkIns: Migration = {
  name: '0027-check-ins',
  up: `
create table check_in (
  id text collate "C" primary key, enrolment_id text collate "C" not null references enrolment, planned_id text collate "C" not null,
  person_id text collate "C" not null references person, name text not null, questions jsonb not null, ask_on date not null, asked_at timestamptz,
  manager_id text collate "C" references person, reminded_at timestamptz, closed_at timestamptz, unique (enrolment_id, planned_id));
create index check_in_person on check_in (person_id);
create index check_in_manager on check_in (manager_id);
create index check_in_coming on check_in (ask_on) where asked_at is null;
create table check_in_answers (
  check_in_id text collate "C" not null references check_in, side text not null, person_id text collate "C" not null references person, answers jsonb not null, at timestamptz not null,
  primary key (check_in_id, side));
`,
  down: `
delete from inbox_entry where kind in ('check-in', 'checked-in');
delete from mail_choice where kind in ('check-in', 'checked-in');
drop table check_in_answers, check_in;
`,
}
