import type { Migration } from '../migration'

/** Audiences as rules of their own: named ones that many items use, and one of its own for an item. Who belongs to each is kept. */
export const audiences: Migration = {
  name: '0016-audiences',
  up: `
-- Without a name it belongs to the one thing that uses it. As of an instant it stays as it was then.
create table audience (
  id text primary key, name text, about text not null default '', rule jsonb not null, as_of_at timestamptz, created_by text not null references person,
  created_at timestamptz not null, changed_at timestamptz not null, archived_at timestamptz);
create unique index audience_name on audience (lower(name)) where archived_at is null;
create table audience_member (
  audience_id text not null references audience on delete cascade, person_id text not null references person, since timestamptz not null, primary key (audience_id, person_id));
create index audience_member_person on audience_member (person_id);

alter table item_audience add column audience_id text;
update item_audience set audience_id = translate(substr(md5(item_kind || item_id || 'audience'), 1, 21), ' ', '_');
insert into audience (id, rule, created_by, created_at, changed_at)
  select x.audience_id, jsonb_build_object('join', 'any', 'except', '[]'::jsonb, 'asOf', null, 'of',
    case when jsonb_array_length(x.rule -> 'teams') + jsonb_array_length(x.rule -> 'roles') > 0
      then jsonb_build_array(jsonb_build_object('asks', 'group', 'groups', (x.rule -> 'teams') || (x.rule -> 'roles'))) else '[]'::jsonb end ||
    case when jsonb_array_length(x.rule -> 'people') > 0 then jsonb_build_array(jsonb_build_object('asks', 'person', 'people', x.rule -> 'people')) else '[]'::jsonb end),
    coalesce((select e.published_by from edition e where e.item_kind = x.item_kind and e.item_id = x.item_id order by e.number desc limit 1), (select min(id) from person)),
    coalesce((select min(e.published_at) from edition e where e.item_kind = x.item_kind and e.item_id = x.item_id), timestamptz '2026-01-01'),
    coalesce((select max(e.published_at) from edition e where e.item_kind = x.item_kind and e.item_id = x.item_id), timestamptz '2026-01-01')
  from item_audience x;
insert into audience_member (audience_id, person_id, since)
  select x.audience_id, a.person_id, a.assigned_at from item_audience x join assignment a on a.item_kind = x.item_kind and a.item_id = x.item_id;
alter table item_audience alter column audience_id set not null, add foreign key (audience_id) references audience, drop column rule;
create index item_audience_audience on item_audience (audience_id);
-- Why somebody has an item: the audience that they belong to. What made them belong stands in its rule.
delete from assignment_reason;
insert into assignment_reason (assignment_id, kind, ref, given_by, given_at)
  select a.id, 'audience', x.audience_id, u.created_by, a.assigned_at from assignment a join item_audience x on x.item_kind = a.item_kind and x.item_id = a.item_id join audience u on u.id = x.audience_id;
`,
  down: `
alter table item_audience add column rule jsonb;
-- Only ticks can be told in the old way; of a rule that asks more, its people of today are named.
create temporary table tick on commit drop as
  select u.id as audience_id, g.kind_id as kind, t.id as ref, p.n as part, t.n as place from audience u, jsonb_array_elements(u.rule -> 'of') with ordinality p (part, n), jsonb_array_elements_text(p.part -> 'groups') with ordinality t (id, n)
    join people_group g on g.id = t.id where p.part ->> 'asks' = 'group'
  union all select u.id, 'person', t.id, p.n, t.n from audience u, jsonb_array_elements(u.rule -> 'of') with ordinality p (part, n), jsonb_array_elements_text(p.part -> 'people') with ordinality t (id, n) where p.part ->> 'asks' = 'person';
delete from tick where audience_id in (select id from audience where rule ->> 'asOf' is not null or jsonb_array_length(rule -> 'except') > 0 or rule @? '$.of[*].not' or rule @? '$.of[*].join'
  or rule @? '$.of[*].asks ? (@ != "group" && @ != "person")' or (rule ->> 'join' = 'all' and jsonb_array_length(rule -> 'of') <> 1)) or kind not in ('team', 'role', 'person');
insert into tick select m.audience_id, 'person', m.person_id, 1, row_number() over (order by m.person_id) from audience_member m
  where not exists (select 1 from tick t where t.audience_id = m.audience_id);
update item_audience x set rule = jsonb_build_object(
  'people', (select coalesce(jsonb_agg(t.ref order by t.part, t.place), '[]') from tick t where t.audience_id = x.audience_id and t.kind = 'person'),
  'teams', (select coalesce(jsonb_agg(t.ref order by t.part, t.place), '[]') from tick t where t.audience_id = x.audience_id and t.kind = 'team'),
  'roles', (select coalesce(jsonb_agg(t.ref order by t.part, t.place), '[]') from tick t where t.audience_id = x.audience_id and t.kind = 'role'));
delete from assignment_reason;
insert into assignment_reason (assignment_id, kind, ref, given_by, given_at)
  select a.id, t.kind, t.ref, u.created_by, a.assigned_at from assignment a join item_audience x on x.item_kind = a.item_kind and x.item_id = a.item_id join audience u on u.id = x.audience_id
    join tick t on t.audience_id = x.audience_id and (t.ref = a.person_id or exists (select 1 from membership m where m.person_id = a.person_id and m.group_id = t.ref and m.until is null));
alter table item_audience alter column rule set not null, drop column audience_id;
drop table audience_member, audience;
`,
}
