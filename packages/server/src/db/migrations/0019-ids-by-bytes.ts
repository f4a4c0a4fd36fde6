import type { Migration } from '../migration'

/** Columns of ids, and of other words that only programs read, by how their names end. */
const OF_IDS = '(^|_)(id|by|kind|hash|ref|verb|way)$'
/** Has these columns compared in another way; views are made anew over them. */
const compared = (collation: string): string => `
do $do$
declare v record; t record;
begin
  create temporary table kept_view on commit drop as
    select c.oid::regclass::text as name, pg_get_viewdef(c.oid) as definition from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind = 'v';
  for v in select * from kept_view loop execute format('drop view %s', v.name); end loop;
  for t in
    select a.attrelid::regclass as name, string_agg(format('alter column %I type text collate ${collation}', a.attname), ', ') as alterations
    from pg_attribute a join pg_class c on c.oid = a.attrelid
    where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition and a.attnum > 0 and not a.attisdropped
      and a.atttypid = 'text'::regtype and a.attname ~ '${OF_IDS}' group by a.attrelid order by 1
  loop execute format('alter table %s %s', t.name, t.alterations); end loop;
  for v in select * from kept_view loop execute format('create view %s as %s', v.name, v.definition); end loop;
  drop table kept_view;
end $do$;
`

/** Ids are compared by their bytes and not as words of a language, which is what looking for one in an index costs most. Who belongs to an
 * audience is reckoned from rules and people in the transaction that writes it, half a million rows at once: what it refers to is not asked
 * again for each. */
export const idsByBytes: Migration = {
  name: '0019-ids-by-bytes',
  up: `
alter table audience_member drop constraint audience_member_audience_id_fkey, drop constraint audience_member_person_id_fkey;
${compared('"C"')}`,
  down: `
${compared('"default"')}
alter table audience_member add foreign key (audience_id) references audience on delete cascade, add foreign key (person_id) references person;
`,
}
