import type { Migration } from '../migration'

/** Invitations, passwords that hold for one time only, and links for whoever is not known yet. */
export const accounts: Migration = {
  name: '0017-accounts',
  up: `
alter table person add column password_given boolean not null default false;
create table invitation (
  person_id text primary key references person, by_id text not null references person, created_at timestamptz not null,
  send_at timestamptz, sent_at timestamptz, withdrawn_at timestamptz);
create index invitation_due on invitation (send_at) where sent_at is null and withdrawn_at is null;
create index one_time_token_person on one_time_token (person_id, purpose);
create index session_person on session ((sess ->> 'personId'));
`,
  down: `
drop index session_person;
drop index one_time_token_person;
drop table invitation;
alter table person drop column password_given;
`,
}
