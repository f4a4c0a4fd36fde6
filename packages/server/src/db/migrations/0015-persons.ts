import type { Migration } from '../migration'

/** What else is known of people: number, job title, telephone, picture, first day. Mail and password stop being obligatory. Changes of rights are written down. */
export const persons: Migration = {
  name: '0015-persons',
  up: `
alter table person alter column mail drop not null, alter column password_hash drop not null,
  add column number text, add column job_title text not null default '', add column telephone text not null default '',
  add column face_hash text, add column started_on date;
create unique index person_number on person (lower(number));
-- By what somebody is found: written whenever name, job title or number are.
create extension if not exists pg_trgm;
alter table person add column sought text not null default '';
update person set sought = plain(name);
create index person_sought on person using gin (sought gin_trgm_ops) where active;
create index person_by_name on person (name, id) where active;
create table duty (
  id text primary key, group_id text not null references people_group, position integer not null, title text not null, about text not null);
create index duty_group on duty (group_id);
create table duty_item (duty_id text not null references duty on delete cascade, item_kind text not null, item_id text not null, position integer not null, primary key (duty_id, item_kind, item_id));
create index duty_item_item on duty_item (item_kind, item_id);
update person set permissions = array_append(permissions, 'people.manage') where level in ('admin', 'lead') and not 'people.manage' = any (permissions);
create table rights_change (
  id bigint generated always as identity primary key, person_id text not null references person, by_id text references person, at timestamptz not null,
  level_before text not null, level_after text not null, granted text[] not null, withdrawn text[] not null);
create index rights_change_at on rights_change (at desc, id desc);
`,
  down: `
drop table duty_item, duty, rights_change;
drop index person_sought, person_by_name;
update person set permissions = array_remove(permissions, 'people.manage');
drop index person_number;
update person set mail = id || '@no-mail.invalid' where mail is null;
update person set password_hash = '' where password_hash is null;
alter table person alter column mail set not null, alter column password_hash set not null,
  drop column number, drop column job_title, drop column telephone, drop column face_hash, drop column started_on, drop column sought;
drop extension pg_trgm;
`,
}
