import type { Migration } from '../migration'

/** Who has acknowledged the cautions of which step, in which way of use, and when. */
export const acknowledgements: Migration = {
  name: '0006-acknowledgements',
  up: `
-- The gravest level that is to be acknowledged at a step.
alter table edition_step add column caution text;
update edition_step s set caution = asked.level from (
  select e.guide_id, e.number, item ->> 'id' as step_id,
    (array_agg(caution ->> 'level' order by array_position(array['danger', 'warning', 'caution', 'note'], caution ->> 'level')))[1] as level
  from edition e cross join lateral jsonb_array_elements(e.bytes::jsonb -> 'items') item cross join lateral jsonb_array_elements(item -> 'cautions') caution
  where (caution ->> 'acknowledge')::boolean and btrim(caution ->> 'words') <> '' group by 1, 2, 3) asked
where s.guide_id = asked.guide_id and s.edition = asked.number and s.step_id = asked.step_id;

create table acknowledgement (
  guide_id text not null, person_id text not null, step_id text not null, way text not null, edition integer not null,
  first_at timestamptz not null, last_at timestamptz not null, times integer not null, attested boolean not null,
  primary key (guide_id, person_id, step_id, way));
insert into acknowledgement (guide_id, person_id, step_id, way, edition, first_at, last_at, times, attested)
  select item_id, subject_id, step_id, way, max(edition), min(occurred_at), max(occurred_at), count(*), bool_or(attested)
  from event where item_kind = 'guide' and verb = 'step-acknowledged' and step_id is not null group by 1, 2, 3, 4;
`,
  down: `
drop table acknowledgement;
alter table edition_step drop column caution;
`,
}
