import type { Migration } from '../migration'

const INDEXES = `
create index event_item on event (item_id, subject_id, occurred_at);
create index event_of_guests on event (subject_id) where subject_kind = 'guest';
create index event_used on event (occurred_at, id) where subject_kind = 'person' and verb in ('opened', 'attempt-begun', 'finished', 'confirmed', 'attempt-judged');
create trigger event_append_only before update or delete on event for each row execute function refuse_event_change();`

/** Events lie month by month, by the time in their ids: an id is then looked for in one month only, and is there once. */
export const eventMonths: Migration = {
  name: '0048-event-months',
  up: `
-- Which events were amended: asked of every event that is counted.
create table event_amended (id uuid primary key);
insert into event_amended (id) select distinct amends from event where amends is not null;
create function note_amended_event() returns trigger language plpgsql as $$ begin
  insert into event_amended (id) values (new.amends) on conflict do nothing;
  return null;
end $$;

drop view event_counted;
drop index event_item, event_of_guests, event_used, event_amends;
drop trigger event_append_only on event;
alter table event rename to event_rest;
alter table event_rest rename constraint event_pkey to event_rest_pkey;
create table event (like event_rest including defaults including constraints, primary key (id)) partition by range (id);
${INDEXES}
-- Who finished something, and when.
create index event_finished on event (item_id, subject_id, occurred_at) where subject_kind = 'person' and verb in ('finished', 'confirmed', 'attempt-judged');
create trigger event_amends after insert on event for each row when (new.amends is not null) execute function note_amended_event();
-- What has the time of no month in its id, or of none there is: told by clocks that are wrong, or under ids of other kinds.
alter table event attach partition event_rest default;
create view event_counted as select * from event e where e.amends is null and not exists (select 1 from event_amended a where a.id = e.id);

-- The least id that was given from a day on.
create function least_event_id(day date) returns uuid language sql immutable as $$
  select (lpad(to_hex((extract(epoch from day::timestamp) * 1000)::bigint), 12, '0') || repeat('0', 20))::uuid $$;
-- Has a table for every month from the first in which anything came in that has none, to the third from a day. What waits in the rest for its month is laid there.
-- Who waits for it is not kept waiting: it gives up after some seconds, and is tried again.
create function keep_event_months(today date) returns void language plpgsql set lock_timeout = '5s' as $$
declare
  months date[];
  month date;
begin
  select array_agg(m::date order by m) into months
  from generate_series(date_trunc('month', least((select min(received_at) from event_rest) at time zone 'UTC', today::timestamp)), date_trunc('month', today::timestamp) + interval '3 months', interval '1 month') m
  where to_regclass('event_' || to_char(m, 'YYYY_MM')) is null;
  if months is null then return; end if;
  alter table event detach partition event_rest;
  alter table event_rest rename to event_before;
  foreach month in array months loop
    execute format('create table %I partition of event for values from (%L) to (%L)',
      'event_' || to_char(month, 'YYYY_MM'), least_event_id(month), least_event_id((month + interval '1 month')::date));
  end loop;
  create table event_rest partition of event default;
  insert into event select * from event_before;
  drop table event_before;
end $$;
select keep_event_months(current_date);
`,
  down: `
drop view event_counted;
create table event_before (like event including defaults including constraints, primary key (id));
insert into event_before select * from event;
drop table event;
alter table event_before rename to event;
alter table event rename constraint event_before_pkey to event_pkey;
${INDEXES}
create index event_amends on event (amends) where amends is not null;
create view event_counted as select * from event e where e.amends is null and not exists (select 1 from event v where v.amends = e.id);
drop table event_amended;
drop function keep_event_months(date);
drop function least_event_id(date);
drop function note_amended_event();
`,
}
