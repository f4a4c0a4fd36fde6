import type { Migration } from '../migration'

/** What the records counted as finishing when this was written. */
const FINISHES = `(item_kind = 'guide' and way = 'read' and verb = 'finished' or item_kind = 'task' and verb = 'confirmed' or item_kind = 'quiz' and verb = 'attempt-judged' and passed)`

const OF_GUIDES = `subject_kind = 'person' and item_kind = 'guide' and way is not null and local_day is not null`
const VISIT = `coalesce(visit, way || ' ' || local_day)`

/** How much each person used each thing on each day, and whose each thing is. */
export const engagement: Migration = {
  name: '0036-engagement',
  up: `
create table use_day (
  item_kind text collate "C" not null, item_id text collate "C" not null, person_id text collate "C" not null, local_day date not null,
  views integer not null, finished integer not null, active_ms bigint not null, at timestamptz not null,
  primary key (item_kind, item_id, person_id, local_day));
create index use_day_day on use_day (local_day);
create index use_day_person on use_day (person_id, local_day, at);
insert into use_day (item_kind, item_id, person_id, local_day, views, finished, active_ms, at)
  select item_kind, item_id, subject_id, local_day, count(*) filter (where verb in ('opened', 'attempt-begun')),
    count(*) filter (where ${FINISHES}), sum(active_ms), min(occurred_at)
  from event_counted where subject_kind = 'person' and item_id is not null and local_day is not null and (verb in ('opened', 'attempt-begun') or ${FINISHES} or active_ms > 0)
  group by item_kind, item_id, subject_id, local_day;
create index event_used on event (occurred_at, id) where subject_kind = 'person' and verb in ('opened', 'attempt-begun', 'finished', 'confirmed', 'attempt-judged');
create index edition_published on edition (published_at);
create index guest_visit_began on guest_visit (began_at);

create table use_visit (
  item_kind text collate "C" not null, item_id text collate "C" not null, person_id text collate "C" not null, visit text not null,
  way text collate "C" not null, edition integer not null, local_day date not null, at timestamptz not null, finished integer not null, active_ms bigint not null,
  device text, browser text, language text, primary key (item_kind, item_id, person_id, visit));
create index use_visit_day on use_visit (item_id, local_day);
create table use_step (
  item_kind text collate "C" not null, item_id text collate "C" not null, person_id text collate "C" not null, visit text not null, part_id text collate "C" not null,
  first_at timestamptz not null, last_at timestamptz not null, primary key (item_kind, item_id, person_id, visit, part_id));
insert into use_visit (item_kind, item_id, person_id, visit, way, edition, local_day, at, finished, active_ms, device, browser, language)
  select item_kind, item_id, subject_id, ${VISIT}, min(way), max(edition), min(local_day), min(occurred_at), count(*) filter (where verb = 'finished'), sum(active_ms), min(device), min(browser), min(language)
  from event_counted where ${OF_GUIDES} group by item_kind, item_id, subject_id, ${VISIT};
insert into use_step (item_kind, item_id, person_id, visit, part_id, first_at, last_at)
  select item_kind, item_id, subject_id, ${VISIT}, part_id, min(occurred_at), max(occurred_at)
  from event_counted where ${OF_GUIDES} and verb = 'step-viewed' and part_id is not null group by item_kind, item_id, subject_id, ${VISIT}, part_id;

-- Whose a thing is, and in which folder it lies.
create view item_home (kind, id, owner_id, folder_id) as
  select 'guide' collate "C", id, owner_id, folder_id from guide union all select 'task' collate "C", id, owner_id, null from task
  union all select 'quiz' collate "C", id, owner_id, null from quiz;
`,
  down: `
drop view item_home;
drop index event_used, edition_published, guest_visit_began;
drop table use_step, use_visit, use_day;
`,
}
