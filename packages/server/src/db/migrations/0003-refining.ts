import type { Migration } from '../migration'

/** Cautions that are acknowledged, and what blackouts have done to editions. */
export const refining: Migration = {
  name: '0003-refining',
  up: `
alter table reading_step add column acknowledged_edition integer;
alter table edition_step add column acknowledge boolean not null default false;

-- Why a picture has a newer version: what was destroyed in it, by whom and when. The edition's bytes and number stay as they are.
create table picture_amendment (
  id text primary key, guide_id text not null references guide, picture_id text not null references picture, version integer not null,
  areas jsonb not null, old_hash text not null, new_hash text not null, amended_by text not null references person, amended_at timestamptz not null);
create index picture_amendment_guide on picture_amendment (guide_id);
create table edition_amendment (
  amendment_id text not null references picture_amendment, guide_id text not null, edition integer not null, primary key (amendment_id, guide_id, edition),
  foreign key (guide_id, edition) references edition (guide_id, number));
create index edition_amendment_edition on edition_amendment (guide_id, edition);
-- Steps copied to another guide take their pictures along: a blackout reaches the copies, too.
alter table picture add column copied_from text references picture;
create index picture_copied_from on picture (copied_from);
-- Words that the recorder saw in a picture and where they stand, in its pixels; kept to find what is private.
create table picture_text (picture_id text primary key references picture on delete cascade, boxes jsonb not null);
-- Files that are to be deleted from storage once nothing refers to them; survives a server that is killed in between.
create table file_removal (hash text primary key);
`,
  down: `
drop table file_removal, picture_text, edition_amendment, picture_amendment;
alter table picture drop column copied_from;
alter table edition_step drop column acknowledge;
alter table reading_step drop column acknowledged_edition;
`,
}
