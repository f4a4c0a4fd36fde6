import type { Migration } from '../migration'

/** Pages of figures that people have arranged, and who gets which by mail. */
export const figurePages: Migration = {
  name: '0041-figure-pages',
  up: `
create table figure_page (
  id text collate "C" primary key, owner_id text collate "C" not null references person, name text not null, shared boolean not null, parts jsonb not null, revision integer not null, changed_at timestamptz not null);
create index figure_page_owner on figure_page (owner_id);
create table figure_page_mail (
  page_id text collate "C" not null references figure_page on delete cascade, person_id text collate "C" not null references person, every text not null check (every in ('week', 'month')), mailed_on date not null,
  primary key (page_id, person_id));
`,
  down: `
delete from inbox_entry where about_kind = 'figure-page';
drop table figure_page_mail, figure_page;
`,
}
