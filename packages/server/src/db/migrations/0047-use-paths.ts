import type { Migration } from '../migration'

const KEYS = ['item_kind', 'item_id', 'person_id', 'visit']
const keys = (row: string): string => KEYS.map((key) => `${row}.${key}`).join(', ')
const same = (a: string, b: string): string => KEYS.map((key) => `${a}.${key} = ${b}.${key}`).join(' and ')

/** The paths of visits: many have the same, and are followed as one. */
export const usePaths: Migration = {
  name: '0047-use-paths',
  up: `
create table use_path (
  item_kind text collate "C" not null, item_id text collate "C" not null, path uuid not null, parts text[] not null, firsts integer[] not null, lasts integer[] not null,
  primary key (item_kind, item_id, path));
alter table use_visit add column path uuid, add column step_ms integer[];
create temporary table found on commit drop as
  with times as (
    select ${keys('s')}, s.part_id, s.active_ms, dense_rank() over (partition by ${keys('s')} order by t.at) - 1 as place
    from use_step s cross join lateral (values (s.first_at), (s.last_at)) t (at) where s.first_at is not null),
  placed as (
    select ${keys('t')}, t.part_id, min(t.place)::int as first, max(t.place)::int as last, least(min(t.active_ms), 2147483647)::int as ms from times t group by ${keys('t')}, t.part_id)
  select ${keys('p')}, md5(string_agg(p.part_id || ' ' || p.first || ' ' || p.last, ',' order by p.first, p.part_id))::uuid as path, array_agg(p.part_id order by p.first, p.part_id) as parts,
    array_agg(p.first order by p.first, p.part_id) as firsts, array_agg(p.last order by p.first, p.part_id) as lasts, array_agg(p.ms order by p.first, p.part_id) as step_ms
  from placed p group by ${keys('p')};
insert into use_path (item_kind, item_id, path, parts, firsts, lasts) select distinct item_kind, item_id, path, parts, firsts, lasts from found;
update use_visit v set path = f.path, step_ms = f.step_ms from found f where ${same('v', 'f')};
`,
  down: `
alter table use_visit drop column path, drop column step_ms;
drop table use_path;
`,
}
