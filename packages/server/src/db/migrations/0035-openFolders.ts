import type { Migration } from '../migration'

/** Folders that anyone may open without signing in. The links to their guides are kept like others, one for each folder and guide. */
export const openFolders: Migration = {
  name: '0035-open-folders',
  up: `
alter table folder add column opened_at timestamptz, add column opened_by text collate "C" references person;
alter table share_link add column folder_id text collate "C" references folder;
create unique index share_link_folder on share_link (folder_id, guide_id) where folder_id is not null;
`,
  down: `
delete from guest_visit where link_id in (select id from share_link where folder_id is not null);
delete from share_link where folder_id is not null;
alter table share_link drop column folder_id;
alter table folder drop column opened_at, drop column opened_by;
`,
}
