import type { Migration } from '../migration'

/** Who used what when is kept as long as the company says; before that only how much is known, and events are thinned to what the records read. */
export const keptUse: Migration = {
  name: '0045-kept-use',
  up: `
create table use_counted (
  item_kind text collate "C" not null, item_id text collate "C" not null, local_day date not null, views integer not null, finished integer not null,
  primary key (item_kind, item_id, local_day));
create index use_counted_day on use_counted (local_day);
create table thinned_use (person_id text collate "C" primary key references person, before date not null);

-- What is older than the company keeps may go, as far as it is no proof.
create function refuse_event_change() returns trigger language plpgsql as $$ begin
  if tg_op = 'DELETE' and old.subject_kind = 'person' and old.verb in ('opened', 'step-viewed', 'time-spent')
    and old.local_day < (select (value ->> 'since')::date from setting where key = 'kept-use') then return old; end if;
  raise exception 'events are only ever added';
end $$;
drop trigger event_append_only on event;
create trigger event_append_only before update or delete on event for each row execute function refuse_event_change();
`,
  down: `
drop trigger event_append_only on event;
create trigger event_append_only before update or delete on event for each row execute function refuse_change();
drop function refuse_event_change();
drop table thinned_use, use_counted;
delete from setting where key = 'kept-use';
`,
}
