import type { Migration } from '../migration'

/** What people are told, how they want it, links that hold once, and changes of a draft that wait for a decision. */
export const inbox: Migration = {
  name: '0011-inbox',
  up: `
create table inbox_entry (
  id text primary key, person_id text not null references person, kind text not null, about_kind text not null, about_id text not null,
  data jsonb not null, at timestamptz not null, read_at timestamptz, settled_at timestamptz, mailed_at timestamptz);
create index inbox_entry_person on inbox_entry (person_id, at desc, id desc);
-- What has not been seen, or waits, is told once: it is renewed instead of told again.
create index inbox_entry_standing on inbox_entry (person_id, kind, about_kind, about_id) where read_at is null or settled_at is null;
create table mail_choice (person_id text not null references person, kind text not null, mail boolean not null, primary key (person_id, kind));
create table one_time_token (
  hash text primary key, purpose text not null, person_id text not null references person, detail text not null, expires_at timestamptz not null);
create index one_time_token_expires on one_time_token (expires_at);
create table draft_clash (
  guide_id text not null references guide, person_id text not null references person, target text not null, conflict jsonb not null,
  at timestamptz not null, primary key (guide_id, person_id, target));
`,
  down: 'drop table draft_clash, one_time_token, mail_choice, inbox_entry;',
}
