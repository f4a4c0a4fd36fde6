import type { Migration } from '../migration'

/** Links by which guests come to guides, and their visits: of a guest nothing is known but the number that they named. Editions that are withdrawn. */
export const sharing: Migration = {
  name: '0034-sharing',
  up: `
create table share_link (
  id text collate "C" primary key, token_hash text collate "C" not null unique, guide_id text collate "C" not null references guide,
  asks_for text check (asks_for in ('session', 'job', 'vehicle')), carries text,
  made_by text collate "C" not null references person, made_at timestamptz not null, expires_at timestamptz, revoked_at timestamptz);
create index share_link_guide on share_link (guide_id, made_at);
create table guest_visit (
  id text collate "C" primary key, link_id text collate "C" not null references share_link, guide_id text collate "C" not null references guide, edition integer not null,
  number text, number_key text, began_at timestamptz not null);
create index guest_visit_guide on guest_visit (guide_id, began_at);
create index guest_visit_link on guest_visit (link_id);
create index guest_visit_number on guest_visit (guide_id, number_key) where number_key is not null;
alter table edition add column withdrawn_at timestamptz, add column withdrawn_by text collate "C" references person, add column withdrawn_why text;
create index event_of_guests on event (subject_id) where subject_kind = 'guest';
`,
  down: `
drop index event_of_guests;
alter table edition drop column withdrawn_at, drop column withdrawn_by, drop column withdrawn_why;
drop table guest_visit, share_link;
`,
}
