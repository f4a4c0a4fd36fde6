import type { Migration } from '../migration'

/** Groups of all kinds in one table, and since when until when somebody was in each. What people were before stays known. */
export const groups: Migration = {
  name: '0014-groups',
  up: `
create table group_kind (id text primary key, name text not null, built_in boolean not null default false);
create unique index group_kind_name on group_kind (lower(name));
insert into group_kind (id, name, built_in) values ('site', 'Site', true), ('department', 'Department', true), ('team', 'Team', true), ('role', 'Role', true);
-- A site has a time zone (IANA), no other group has.
create table people_group (
  id text primary key, kind_id text not null references group_kind, name text not null, about text not null default '', zone text,
  leader_id text references person, created_at timestamptz not null, closed_at timestamptz, check ((kind_id = 'site') = (zone is not null)));
create unique index people_group_name on people_group (kind_id, lower(name)) where closed_at is null;
create table membership (
  id bigint generated always as identity primary key, person_id text not null references person, group_id text not null references people_group,
  since timestamptz not null, until timestamptz check (until >= since));
create unique index membership_now on membership (person_id, group_id) where until is null;
create index membership_group on membership (group_id) where until is null;
create index membership_person on membership (person_id, since);

insert into people_group (id, kind_id, name, zone, created_at) select s.id, 'site', s.name, s.zone, (select coalesce(min(created_at), timestamptz '2026-01-01') from person) from site s;
insert into people_group (id, kind_id, name, created_at)
  select g.id, g.kind, g.name, (select coalesce(min(created_at), timestamptz '2026-01-01') from person)
  from (select id, 'department' as kind, name from department union all select id, 'team', name from team union all select id, 'role', name from role) g;
insert into membership (person_id, group_id, since)
  select p.id, g.group_id, p.created_at from person p join (
    select id as person_id, site_id as group_id from person union all select id, department_id from person
    union all select person_id, team_id from person_team union all select person_id, role_id from person_role) g on g.person_id = p.id;

alter table person drop constraint person_site_id_fkey, drop column department_id, add foreign key (site_id) references people_group;
drop table person_team, person_role, team, role, department, site;

-- Who is in which group now.
create view member (person_id, group_id, kind, name) as
  select m.person_id, g.id, g.kind_id, g.name from membership m join people_group g on g.id = m.group_id where m.until is null;

-- What somebody was until they became something else; what they are now stands in person.
create table person_past (
  id bigint generated always as identity primary key, person_id text not null references person, since timestamptz not null, until timestamptz not null,
  site_id text not null, manager_id text, level text not null, active boolean not null);
create index person_past_person on person_past (person_id, until);
alter table person add column changed_at timestamptz;
update person set changed_at = created_at;
alter table person alter column changed_at set not null;
`,
  down: `
alter table person drop column changed_at;
drop table person_past;
drop view member;
create table site (id text primary key, name text not null unique, zone text not null);
create table department (id text primary key, name text not null unique);
create table team (id text primary key, name text not null unique);
create table role (id text primary key, name text not null unique);
-- Of closed groups of one name all but one get their id behind it; groups of the company's own kinds have no place in these tables.
insert into site select id, name || case when closed_at is null then '' else ' ' || id end, zone from people_group where kind_id = 'site';
insert into department select id, name || case when closed_at is null then '' else ' ' || id end from people_group where kind_id = 'department';
insert into department select 'no-department-no-depa', 'No department' where exists (select 1 from person p where not exists (select 1 from membership m join department d on d.id = m.group_id where m.person_id = p.id and m.until is null));
insert into team select id, name || case when closed_at is null then '' else ' ' || id end from people_group where kind_id = 'team';
insert into role select id, name || case when closed_at is null then '' else ' ' || id end from people_group where kind_id = 'role';
create table person_team (person_id text not null references person, team_id text not null references team, primary key (person_id, team_id));
create index person_team_team on person_team (team_id);
create table person_role (person_id text not null references person, role_id text not null references role, primary key (person_id, role_id));
create index person_role_role on person_role (role_id);
insert into person_team select m.person_id, m.group_id from membership m join team t on t.id = m.group_id where m.until is null;
insert into person_role select m.person_id, m.group_id from membership m join role r on r.id = m.group_id where m.until is null;
alter table person add column department_id text references department;
update person p set department_id = coalesce((select min(m.group_id) from membership m join department d on d.id = m.group_id where m.person_id = p.id and m.until is null), 'no-department-no-depa');
alter table person alter column department_id set not null, drop constraint person_site_id_fkey, add foreign key (site_id) references site;
drop table membership, people_group, group_kind;
`,
}
