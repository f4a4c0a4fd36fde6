import type { Migration } from '../migration'

const READ = `way = 'read' and subject_kind = 'person' and item_kind = 'guide'`
/** When somebody last saw, acknowledged and confirmed a part, and when they last finished an edition, as events tell. */
const LAST = `
update part_progress r set seen_at = t.seen_at, acknowledged_at = t.acknowledged_at, confirmed_at = t.confirmed_at from (
  select item_kind, item_id, subject_id, part_id, max(occurred_at) filter (where verb = 'step-viewed') as seen_at,
    max(occurred_at) filter (where verb = 'step-acknowledged') as acknowledged_at, max(occurred_at) filter (where verb = 'step-confirmed') as confirmed_at
  from event_counted where ${READ} and part_id is not null group by item_kind, item_id, subject_id, part_id) t
  where r.item_kind = t.item_kind and r.item_id = t.item_id and r.person_id = t.subject_id and r.part_id = t.part_id;
update item_progress r set last_finished_at = t.finished_at, last_attested_at = t.attested_at from (
  select item_kind, item_id, subject_id, (array_agg(occurred_at order by edition desc, occurred_at desc))[1] as finished_at,
    (array_agg(occurred_at order by edition desc, occurred_at desc) filter (where attested))[1] as attested_at
  from event_counted where ${READ} and verb = 'finished' group by item_kind, item_id, subject_id) t
  where r.item_kind = t.item_kind and r.item_id = t.item_id and r.person_id = t.subject_id;
`

/** An item is given to several audiences, each to be done or to be looked up, once or again and again; what somebody has for several reasons is one line. */
export const givings: Migration = {
  name: '0022-givings',
  up: `
create index item_id on item (id);
create table giving (
  id text collate "C" primary key, item_kind text collate "C" not null, item_id text collate "C" not null, audience_id text collate "C" not null references audience,
  publishing boolean not null, use text not null, due jsonb not null, repeat_months integer,
  given_by text collate "C" not null references person, given_at timestamptz not null, foreign key (item_kind, item_id) references item);
create unique index giving_publishing on giving (item_kind, item_id) where publishing;
create index giving_item on giving (item_kind, item_id);
create index giving_audience on giving (audience_id);
insert into giving (id, item_kind, item_id, audience_id, publishing, use, due, given_by, given_at)
  select substr(md5(x.item_kind || x.item_id || 'giving'), 1, 21), x.item_kind, x.item_id, x.audience_id, true, 'to-do', x.due,
    coalesce(e.published_by, u.created_by), coalesce(e.published_at, u.created_at)
  from item_audience x join audience u on u.id = x.audience_id left join item i on i.kind = x.item_kind and i.id = x.item_id
    left join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition;
update assignment_reason r set kind = 'giving', ref = g.id from assignment a join giving g on g.item_kind = a.item_kind and g.item_id = a.item_id
  where r.assignment_id = a.id and r.kind = 'audience' and r.ref = g.audience_id;
drop table item_audience;
alter table assignment_reason add column use text not null default 'to-do', add column repeat_months integer;
alter table assignment_reason alter column use drop default;
alter table assignment add column use text not null default 'to-do', add column repeat_months integer, add column round_from timestamptz;
alter table assignment alter column use drop default;
create index assignment_repeats on assignment (repeat_months) where repeat_months is not null;
alter table part_progress add column seen_at timestamptz, add column acknowledged_at timestamptz, add column confirmed_at timestamptz;
alter table item_progress add column last_finished_at timestamptz, add column last_attested_at timestamptz;
${LAST}`,
  down: `
alter table item_progress drop column last_finished_at, drop column last_attested_at;
alter table part_progress drop column seen_at, drop column acknowledged_at, drop column confirmed_at;
drop index assignment_repeats;
delete from assignment a where a.use <> 'to-do' or not exists (select 1 from assignment_reason r join giving g on g.id = r.ref and g.publishing where r.assignment_id = a.id);
delete from assignment_reason r using giving g where r.ref = g.id and not g.publishing;
alter table assignment drop column use, drop column repeat_months, drop column round_from;
alter table assignment_reason drop column use, drop column repeat_months;
create table item_audience (
  item_kind text collate "C" not null, item_id text collate "C" not null, due jsonb not null, audience_id text collate "C" not null references audience,
  constraint item_audience_pkey primary key (item_kind, item_id), constraint item_audience_item_kind_item_id_fkey foreign key (item_kind, item_id) references item);
create index item_audience_audience on item_audience (audience_id);
insert into item_audience (item_kind, item_id, due, audience_id) select item_kind, item_id, due, audience_id from giving where publishing;
update assignment_reason r set kind = 'audience', ref = g.audience_id from giving g where r.kind = 'giving' and r.ref = g.id;
drop table giving;
drop index item_id;
`,
}
