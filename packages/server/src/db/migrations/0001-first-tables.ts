import type { Migration } from '../migration'

/** People, library, drafts, editions, assignments, events and what is rolled up from them. */
export const firstTables: Migration = {
  name: '0001-first-tables',
  up: `
create extension if not exists unaccent;
-- How words are compared when somebody looks for them: without regard to case and accents.
create function plain(words text) returns text language sql stable as $$ select lower(unaccent(words)) $$;

create table site (id text primary key, name text not null unique, zone text not null);
create table department (id text primary key, name text not null unique);
create table team (id text primary key, name text not null unique);
create table role (id text primary key, name text not null unique);

create table person (
  id text primary key, name text not null, mail text not null, password_hash text not null,
  level text not null check (level in ('admin', 'lead', 'author', 'staff')), permissions text[] not null,
  site_id text not null references site, department_id text not null references department,
  manager_id text references person, active boolean not null default true, created_at timestamptz not null);
create unique index person_mail on person (lower(mail));
create index person_manager on person (manager_id);
create table person_team (person_id text not null references person, team_id text not null references team, primary key (person_id, team_id));
create index person_team_team on person_team (team_id);
create table person_role (person_id text not null references person, role_id text not null references role, primary key (person_id, role_id));
create index person_role_role on person_role (role_id);

create table session (sid text primary key, sess jsonb not null, expire timestamptz not null);
create index session_expire on session (expire);
create table sign_in_failure (key text primary key, failures integer not null, window_started_at timestamptz not null);

create table folder (
  id text primary key, parent_id text references folder, name text not null, archived_at timestamptz, created_at timestamptz not null);
create table guide (
  id text primary key, number integer generated always as identity unique, title text not null, kind text not null,
  owner_id text not null references person, folder_id text references folder,
  newest_edition integer, published_title text, required_edition integer not null default 1, open_to_all boolean not null default false,
  created_at timestamptz not null, changed_at timestamptz not null, changed_by text not null references person, archived_at timestamptz);
create index guide_folder on guide (folder_id);
create index guide_owner on guide (owner_id);
create table guide_share (guide_id text not null references guide, person_id text not null references person, primary key (guide_id, person_id));
create index guide_share_person on guide_share (person_id);

create table draft (guide_id text primary key references guide, revision integer not null, document jsonb not null);
create table draft_change (
  guide_id text not null references guide, revision integer not null, change_set_id text not null, changes jsonb not null, conflicts jsonb not null,
  person_id text not null references person, saved_at timestamptz not null, primary key (guide_id, revision), unique (guide_id, change_set_id));
create table draft_presence (guide_id text not null references guide, person_id text not null references person, seen_at timestamptz not null, primary key (guide_id, person_id));

create table picture (id text primary key, guide_id text not null references guide, created_by text not null references person, created_at timestamptz not null);
create index picture_guide on picture (guide_id);
create table picture_version (
  picture_id text not null references picture, version integer not null, media_type text not null, width_px integer not null, height_px integer not null,
  full_hash text not null, screen_hash text not null, thumb_hash text not null, created_at timestamptz not null, primary key (picture_id, version));

create table edition (
  guide_id text not null references guide, number integer not null, revision integer not null, bytes text not null, hash text not null,
  change_note text not null, must_reread boolean not null, confirm_steps boolean not null, steps integer not null, minutes integer not null,
  published_by text not null references person, published_at timestamptz not null, primary key (guide_id, number));
create table edition_step (
  guide_id text not null, edition integer not null, step_id text not null, position integer not null, section text not null, name text not null,
  primary key (guide_id, edition, step_id), foreign key (guide_id, edition) references edition (guide_id, number));
create table picture_use (
  guide_id text not null, edition integer not null, picture_id text not null references picture,
  primary key (guide_id, edition, picture_id), foreign key (guide_id, edition) references edition (guide_id, number));

create table guide_audience (guide_id text primary key references guide, rule jsonb not null, due jsonb not null);
create table assignment (
  id text primary key, person_id text not null references person, item_kind text not null, item_id text not null,
  assigned_at timestamptz not null, due_on date, due_zone text, due_at timestamptz, unique (person_id, item_kind, item_id));
create index assignment_item on assignment (item_kind, item_id);
create table assignment_reason (
  assignment_id text not null references assignment on delete cascade, kind text not null, ref text not null,
  given_by text not null references person, given_at timestamptz not null, primary key (assignment_id, kind, ref));

create table event (
  id uuid primary key, schema_version smallint not null, verb text not null, way text not null,
  actor_kind text not null, actor_id text not null, subject_id text not null references person,
  item_kind text not null, item_id text not null, edition integer not null, step_id text, active_ms integer not null default 0,
  attested boolean not null, occurred_at timestamptz not null, received_at timestamptz not null);
create index event_item on event (item_id, subject_id, occurred_at);
create function refuse_change() returns trigger language plpgsql as $$ begin raise exception 'events are only ever added'; end $$;
create trigger event_append_only before update or delete on event for each row execute function refuse_change();
create table reading (
  guide_id text not null, person_id text not null, first_at timestamptz not null, last_at timestamptz not null, active_ms bigint not null,
  last_step_id text, last_step_at timestamptz, finished_edition integer, finished_at timestamptz, primary key (guide_id, person_id));
create index reading_person on reading (person_id);
create table reading_step (
  guide_id text not null, person_id text not null, step_id text not null, viewed_edition integer, confirmed_edition integer, active_ms bigint not null,
  primary key (guide_id, person_id, step_id));

create table setting (key text primary key, value jsonb not null);

-- Everybody who reports to a person, at any depth. UNION also ends a circle, should one ever be entered.
create function reports_of(manager text) returns table (person_id text) language sql stable as $$
  with recursive below as (
    select id from person where manager_id = manager
    union select p.id from person p join below b on p.manager_id = b.id)
  select id from below where id <> manager $$;

-- Who may read which guide, and why: the one rule by which lists are filtered. core/people/rights.ts says the same of single guides.
create view guide_access (person_id, guide_id, why) as
  select a.person_id, g.id, 'assigned' from assignment a join guide g on a.item_kind = 'guide' and a.item_id = g.id
    where g.archived_at is null and g.newest_edition is not null
  union all
  select p.id, g.id, 'open' from guide g cross join person p where g.open_to_all and g.archived_at is null and g.newest_edition is not null
  union all
  select p.id, g.id, 'own' from guide g join person p on p.id = g.owner_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, s.guide_id, 'shared' from guide_share s join person p on p.id = s.person_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, g.id, 'any' from guide g cross join person p where 'guides.all' = any (p.permissions);
`,
  down: `
drop view guide_access;
drop function reports_of(text);
drop function plain(text);
drop function refuse_change() cascade;
drop table setting, reading_step, reading, event, assignment_reason, assignment, guide_audience, picture_use, edition_step, edition,
  picture_version, picture, draft_presence, draft_change, draft, guide_share, guide, folder, sign_in_failure, session,
  person_role, person_team, person, role, team, department, site;
`,
}
