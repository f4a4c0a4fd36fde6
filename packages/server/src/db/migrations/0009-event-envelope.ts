import type { Migration } from '../migration'

const DISABLED = 'alter table event disable trigger event_append_only;'
const ENABLED = 'alter table event enable trigger event_append_only;'

/** What every event says, whatever happened and to whom; and events that amend earlier ones. */
export const eventEnvelope: Migration = {
  name: '0009-event-envelope',
  up: `
alter table event rename column step_id to part_id;
alter table event rename column play_id to visit;
-- Not everything that happens is about an item; not everybody to whom it happens is a person who is known by name.
alter table event alter column item_kind drop not null, alter column item_id drop not null, alter column edition drop not null, drop constraint event_subject_id_fkey;
alter table event add column subject_kind text not null default 'person' check (subject_kind in ('person', 'guest', 'device', 'system')),
  add column data jsonb, add column device text, add column browser text, add column language text, add column local_day date,
  add column transaction_id xid8 not null default pg_current_xact_id(), add column amends uuid;
alter table event alter column subject_kind drop default;
${DISABLED}
update event e set local_day = (e.occurred_at at time zone s.zone)::date from person p join site s on s.id = p.site_id where p.id = e.subject_id;
${ENABLED}
create index event_amends on event (amends) where amends is not null;

-- What counts: an event that amends another one only takes that one away.
create view event_counted as select * from event e where e.amends is null and not exists (select 1 from event v where v.amends = e.id);
`,
  down: `
drop view event_counted;
drop index event_amends;
${DISABLED}
delete from event where amends is not null or subject_kind <> 'person' or item_id is null or edition is null;
${ENABLED}
alter table event drop column amends, drop column transaction_id, drop column local_day, drop column language, drop column browser, drop column device, drop column data, drop column subject_kind;
alter table event alter column item_kind set not null, alter column item_id set not null, alter column edition set not null, add foreign key (subject_id) references person;
alter table event rename column visit to play_id;
alter table event rename column part_id to step_id;
`,
}
