import type { Migration } from '../migration'

/** How guessing passwords is slowed, and what of a reading the server can vouch for. */
export const hardening: Migration = {
  name: '0005-hardening',
  up: `
alter table sign_in_failure rename column window_started_at to last_at;
-- Browsers with which somebody has signed in before: they are let in while others guess.
create table known_device (
  hash text not null, person_id text not null references person on delete cascade, seen_at timestamptz not null, primary key (hash, person_id));
create index known_device_person on known_device (person_id);

-- When an edition was first given to somebody to read: from then on they can have read it.
create table edition_given (
  guide_id text not null, edition integer not null, person_id text not null references person, given_at timestamptz not null,
  primary key (guide_id, person_id, edition), foreign key (guide_id, edition) references edition (guide_id, number));
-- Readings from before this was noted were given at the latest when their first event came in.
insert into edition_given (guide_id, edition, person_id, given_at)
  select e.item_id, e.edition, e.subject_id, min(e.received_at) from event e join edition x on x.guide_id = e.item_id and x.number = e.edition
  where e.item_kind = 'guide' and e.way = 'read' group by 1, 2, 3;

-- Least time in which each step can be read, by its words; see core/records. Steps of editions from before get it by the number of steps.
alter table edition_step add column least_ms integer not null default 1000;
-- Whether the time of an event was not possible and was put right, and whether a reading's end is vouched for.
alter table event add column time_put_right boolean not null default false;
alter table reading add column finished_attested boolean not null default false;
update reading r set finished_attested = true where r.finished_edition is not null;
`,
  down: `
alter table reading drop column finished_attested;
alter table event drop column time_put_right;
alter table edition_step drop column least_ms;
drop table edition_given, known_device;
alter table sign_in_failure rename column last_at to window_started_at;
`,
}
