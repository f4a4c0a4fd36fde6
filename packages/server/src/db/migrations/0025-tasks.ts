import type { Migration } from '../migration'

const access = (tasks: string) => `
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
  select p.id, 'guide', g.id, 'any' from guide g cross join person p where 'guides.all' = any (p.permissions)${tasks};
`
const OF_TASKS = `
  union all
  select p.id, 'task', t.id, 'own' from task t join person p on p.id = t.owner_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, 'task', t.id, 'any' from task t cross join person p where 'guides.all' = any (p.permissions)`
const renamed = (from: string, to: string) => `
update inbox_entry set kind = '${to}' where kind = '${from}';
update mail_choice set kind = '${to}' where kind = '${from}';
update setting set value = replace(value::text, '"${from}"', '"${to}"')::jsonb where key = 'mail-rules';
`

/** Tasks, which somebody hands in and somebody else confirms; events that happen outside of all ways of use. */
export const tasks: Migration = {
  name: '0025-tasks',
  up: `
alter table event alter column way drop not null;
alter table item_progress add column handed_in_at timestamptz, add column answered_at timestamptz;
create table task (
  id text collate "C" primary key, number integer generated always as identity unique, owner_id text collate "C" not null references person, revision integer not null, document jsonb not null,
  created_at timestamptz not null, changed_at timestamptz not null, changed_by text collate "C" not null references person);
create index task_owner on task (owner_id);
create table task_edition (
  task_id text collate "C" not null references task, edition integer not null, confirmer text not null, role_id text collate "C" references people_group, evidence text not null,
  primary key (task_id, edition));
create table hand_in (
  id text collate "C" primary key, task_id text collate "C" not null, edition integer not null, person_id text collate "C" not null references person, words text not null,
  picture_id text collate "C" references picture, at timestamptz not null, answer text, answered_at timestamptz, answered_by text collate "C" references person, reason text not null,
  foreign key (task_id, edition) references task_edition);
create index hand_in_person on hand_in (person_id, task_id);
create unique index hand_in_waiting on hand_in (task_id, person_id) where answer is null;
create table hand_in_asked (
  hand_in_id text collate "C" not null references hand_in, person_id text collate "C" not null references person, primary key (person_id, hand_in_id));
create index hand_in_asked_of on hand_in_asked (hand_in_id);
drop view item_access;
${access(OF_TASKS)}${renamed('must-read', 'to-do')}`,
  down: `
${renamed('to-do', 'must-read')}
drop view item_access;
${access('')}
delete from inbox_entry where about_kind = 'task';
delete from favourite where item_kind = 'task';
drop table hand_in_asked, hand_in, task_edition, task;
alter table item_progress drop column handed_in_at, drop column answered_at;
delete from item_progress where item_kind = 'task';
delete from reminder x using assignment a where a.id = x.assignment_id and a.item_kind = 'task';
delete from assignment_reason x using assignment a where a.id = x.assignment_id and a.item_kind = 'task';
delete from assignment where item_kind = 'task';
delete from waiver where item_kind = 'task';
delete from giving where item_kind = 'task';
delete from picture_use where item_kind = 'task';
delete from edition where item_kind = 'task';
delete from item where kind = 'task';
alter table event disable trigger event_append_only;
delete from event where way is null;
alter table event enable trigger event_append_only;
alter table event alter column way set not null;
`,
}
