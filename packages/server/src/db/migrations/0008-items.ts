import type { Migration } from '../migration'

/** Tables whose rows belong to an edition, besides `edition` itself. */
const OF_EDITION = ['edition_amendment', 'edition_given', 'edition_part', 'picture_use', 'attempt']
const OF_ITEM = ['edition', ...OF_EDITION]
/** A column becomes two, or the other way round: of guides only, or of items of every kind. */
const widen = (table: string, nullable = false) => `
alter table ${table} rename column guide_id to item_id;
alter table ${table} add column item_kind text${nullable ? '' : ` not null default 'guide'`};
${nullable ? `update ${table} set item_kind = 'guide' where item_id is not null;` : `alter table ${table} alter column item_kind drop default;`}`
const narrow = (table: string) => `
alter table ${table} drop column item_kind;
alter table ${table} rename column item_id to guide_id;`

/** Whatever can be given to people is an item of some kind; editions, attempts, pictures and progress belong to items, not to guides. */
export const items: Migration = {
  name: '0008-items',
  up: `
drop view guide_access;

-- One row for each thing that can be given to people, written by the domain of its kind. Title, parts and minutes are those of the newest
-- edition, as people see them to whom it is given; nothing before the first.
create table item (
  kind text not null, id text not null, number integer not null, title text, edition integer, required_edition integer not null default 1,
  parts integer not null default 0, minutes integer not null default 0, claim_suffices boolean not null,
  open_to_all boolean not null default false, archived_at timestamptz, primary key (kind, id));
insert into item (kind, id, number, title, edition, required_edition, parts, minutes, claim_suffices, open_to_all, archived_at)
  select 'guide', g.id, g.number, g.published_title, g.newest_edition, g.required_edition, coalesce(e.steps, 0), coalesce(e.minutes, 0), true, g.open_to_all, g.archived_at
  from guide g left join edition e on e.guide_id = g.id and e.number = g.newest_edition;
create index item_open on item (kind, id) where open_to_all;
alter table guide drop column newest_edition, drop column published_title, drop column required_edition, drop column open_to_all, drop column archived_at;

alter table guide_audience rename to item_audience;
alter table item_audience drop constraint guide_audience_pkey, drop constraint guide_audience_guide_id_fkey;
${widen('item_audience')}
alter table item_audience add primary key (item_kind, item_id), add foreign key (item_kind, item_id) references item;

-- Editions, and what belongs to them.
alter table remark drop constraint remark_guide_id_edition_step_id_fkey;
alter table edition drop constraint edition_pkey cascade, drop constraint edition_guide_id_fkey;
alter table edition_step rename to edition_part;
alter table edition_part rename column step_id to part_id;
alter table edition_part drop column acknowledge;
alter table edition_part drop constraint edition_step_pkey;
alter table edition_given drop constraint edition_given_pkey;
alter table edition_amendment drop constraint edition_amendment_pkey;
alter table picture_use drop constraint picture_use_pkey;
alter table attempt drop constraint attempt_guide_id_person_id_number_key;
drop index attempt_open, edition_amendment_edition;
create table guide_edition (
  guide_id text not null references guide, edition integer not null, confirm_steps boolean not null, branches boolean not null, primary key (guide_id, edition));
insert into guide_edition select guide_id, number, confirm_steps, branches from edition;
alter table edition drop column confirm_steps, drop column branches;
alter table edition rename column steps to parts;
${OF_ITEM.map((table) => widen(table)).join('')}
alter table edition add primary key (item_kind, item_id, number), add foreign key (item_kind, item_id) references item;
${OF_EDITION.map((table) => `alter table ${table} add foreign key (item_kind, item_id, edition) references edition (item_kind, item_id, number);`).join('\n')}
alter table edition_part add primary key (item_kind, item_id, edition, part_id);
alter table edition_given add primary key (item_kind, item_id, person_id, edition);
alter table edition_amendment add primary key (amendment_id, item_kind, item_id, edition);
create index edition_amendment_edition on edition_amendment (item_kind, item_id, edition);
alter table picture_use add primary key (item_kind, item_id, edition, picture_id);
create index picture_use_picture on picture_use (picture_id);
alter table attempt add unique (item_kind, item_id, person_id, number);
create unique index attempt_open on attempt (item_kind, item_id, person_id) where ended_at is null;
${widen('remark')}
alter table remark rename column step_id to part_id;
alter table remark add foreign key (item_kind, item_id, edition, part_id) references edition_part (item_kind, item_id, edition, part_id);
drop index remark_open;
create index remark_open on remark (item_kind, item_id) where done_at is null;

-- Pictures of items, and of things that are none.
alter table picture drop constraint picture_guide_id_fkey, alter column guide_id drop not null;
drop index picture_guide;
${widen('picture', true)}
create index picture_item on picture (item_id);
alter table picture_amendment drop constraint picture_amendment_guide_id_fkey, alter column guide_id drop not null;
drop index picture_amendment_guide;
${widen('picture_amendment', true)}

-- One row for each person and item that they have used in any way. It began when they began to do what the item asks for.
alter table reading rename to item_progress;
alter table item_progress drop constraint reading_pkey;
drop index reading_person;
${widen('item_progress')}
alter table item_progress rename column first_at to started_at;
alter table item_progress rename column last_step_id to last_part_id;
alter table item_progress rename column last_step_at to last_part_at;
alter table item_progress alter column started_at drop not null, alter column last_at drop not null, add column attested_edition integer, add primary key (item_kind, item_id, person_id);
update item_progress r set attested_edition = (select max(e.edition) from event e where e.item_kind = r.item_kind and e.item_id = r.item_id and e.subject_id = r.person_id
  and e.way = 'read' and e.verb = 'finished' and e.attested);
alter table item_progress drop column finished_attested;
insert into item_progress (item_kind, item_id, person_id, active_ms)
  select distinct 'guide', u.guide_id, u.person_id, 0 from way_use u on conflict do nothing;
create index item_progress_person on item_progress (person_id);

-- What of an item somebody has gone through, by part; and how many parts of the newest edition that is, in an edition that counts.
alter table reading_step rename to part_progress;
alter table part_progress drop constraint reading_step_pkey;
${widen('part_progress')}
alter table part_progress rename column step_id to part_id;
alter table part_progress rename column viewed_edition to seen_edition;
alter table part_progress add primary key (item_kind, item_id, person_id, part_id);
alter table item_progress add column parts_seen integer not null default 0;
update item_progress r set parts_seen = (
  select count(*) from item i join edition_part x on x.item_kind = i.kind and x.item_id = i.id and x.edition = i.edition
    join part_progress s on s.item_kind = x.item_kind and s.item_id = x.item_id and s.person_id = r.person_id and s.part_id = x.part_id and s.seen_edition >= i.required_edition
  where i.kind = r.item_kind and i.id = r.item_id);

-- Who may see which item, and why: the one rule by which lists are filtered. core/people/rights.ts says the same of single ones.
create view item_access (person_id, item_kind, item_id, why) as
  select a.person_id, i.kind, i.id, 'assigned' from assignment a join item i on i.kind = a.item_kind and i.id = a.item_id
    where i.archived_at is null and i.edition is not null
  union all
  select p.id, i.kind, i.id, 'open' from item i cross join person p where i.open_to_all and i.archived_at is null and i.edition is not null
  union all
  select p.id, 'guide', g.id, 'own' from guide g join person p on p.id = g.owner_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, 'guide', s.guide_id, 'shared' from guide_share s join person p on p.id = s.person_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, 'guide', g.id, 'any' from guide g cross join person p where 'guides.all' = any (p.permissions);
`,
  down: `
drop view item_access;

alter table part_progress drop constraint part_progress_pkey;
${narrow('part_progress')}
alter table part_progress rename to reading_step;
alter table reading_step rename column part_id to step_id;
alter table reading_step rename column seen_edition to viewed_edition;
alter table reading_step add primary key (guide_id, person_id, step_id);

drop index item_progress_person;
alter table item_progress drop column parts_seen;
alter table item_progress drop constraint item_progress_pkey;
delete from item_progress where started_at is null;
${narrow('item_progress')}
alter table item_progress rename to reading;
alter table reading rename column started_at to first_at;
alter table reading rename column last_part_id to last_step_id;
alter table reading rename column last_part_at to last_step_at;
alter table reading alter column first_at set not null, alter column last_at set not null, add column finished_attested boolean not null default false, add primary key (guide_id, person_id);
update reading set finished_attested = coalesce(attested_edition = finished_edition, false);
alter table reading drop column attested_edition;
create index reading_person on reading (person_id);

drop index picture_item;
delete from picture_amendment where item_kind is distinct from 'guide';
${narrow('picture_amendment')}
alter table picture_amendment alter column guide_id set not null, add foreign key (guide_id) references guide;
create index picture_amendment_guide on picture_amendment (guide_id);
${narrow('picture')}
alter table picture alter column guide_id set not null, add foreign key (guide_id) references guide;
create index picture_guide on picture (guide_id);

drop index remark_open;
alter table remark rename column part_id to step_id;
alter table edition drop constraint edition_pkey cascade, drop constraint edition_item_kind_item_id_fkey;
alter table edition_part drop constraint edition_part_pkey cascade;
alter table edition_given drop constraint edition_given_pkey;
alter table edition_amendment drop constraint edition_amendment_pkey;
alter table picture_use drop constraint picture_use_pkey;
drop index picture_use_picture, attempt_open, edition_amendment_edition;
alter table attempt drop constraint attempt_item_kind_item_id_person_id_number_key;
${[...OF_ITEM, 'remark'].map(narrow).join('')}
alter table edition rename column parts to steps;
alter table edition add column confirm_steps boolean not null default false, add column branches boolean not null default false;
update edition e set confirm_steps = x.confirm_steps, branches = x.branches from guide_edition x where x.guide_id = e.guide_id and x.edition = e.number;
alter table edition alter column confirm_steps drop default;
drop table guide_edition;
alter table edition_part rename to edition_step;
alter table edition_step rename column part_id to step_id;
alter table edition_step add column acknowledge boolean not null default false;
update edition_step set acknowledge = true where caution is not null;
alter table edition add primary key (guide_id, number), add foreign key (guide_id) references guide;
alter table edition_step add primary key (guide_id, edition, step_id);
${OF_EDITION.map((table) => (table === 'edition_part' ? 'edition_step' : table))
  .map((table) => `alter table ${table} add foreign key (guide_id, edition) references edition (guide_id, number);`)
  .join('\n')}
alter table edition_given add primary key (guide_id, person_id, edition);
alter table edition_amendment add primary key (amendment_id, guide_id, edition);
create index edition_amendment_edition on edition_amendment (guide_id, edition);
alter table picture_use add primary key (guide_id, edition, picture_id);
alter table attempt add unique (guide_id, person_id, number);
create unique index attempt_open on attempt (guide_id, person_id) where ended_at is null;
alter table remark add foreign key (guide_id, edition, step_id) references edition_step (guide_id, edition, step_id);
create index remark_open on remark (guide_id) where done_at is null;

alter table item_audience drop constraint item_audience_pkey, drop constraint item_audience_item_kind_item_id_fkey;
${narrow('item_audience')}
alter table item_audience rename to guide_audience;
alter table guide_audience add primary key (guide_id), add foreign key (guide_id) references guide;

alter table guide add column newest_edition integer, add column published_title text, add column required_edition integer not null default 1,
  add column open_to_all boolean not null default false, add column archived_at timestamptz;
update guide g set newest_edition = i.edition, published_title = i.title, required_edition = i.required_edition, open_to_all = i.open_to_all, archived_at = i.archived_at
  from item i where i.kind = 'guide' and i.id = g.id;
drop table item;

create view guide_access (person_id, guide_id, why) as
  select a.person_id, g.id, 'assigned' from assignment a join guide g on a.item_kind = 'guide' and a.item_id = g.id
    where g.archived_at is null and g.newest_edition is not null
  union all
  select p.id, g.id, 'open' from guide g cross join person p where g.open_to_all and g.archived_at is null and g.newest_edition is not null
  union all
  select p.id, g.id, 'own' from guide g join person p on p.id = g.owner_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, s.guide_id, 'shared' from guide_share s join person p on p.id = s.person_id where 'guides.write' = any (p.permissions)
  union all
  select p.id, g.id, 'any' from guide g cross join person p where 'guides.all' = any (p.permissions);
`,
}
