import type { Migration } from '../migration'

/** Files that people have had made of guides, and the versions of pictures in them. */
export const exports: Migration = {
  name: '0032-exports',
  up: `
create table export_file (
  id text collate "C" primary key, person_id text collate "C" not null references person, title text not null, what jsonb not null, told_as jsonb not null, draft boolean not null, language text not null,
  guides integer not null, state text not null check (state in ('waiting', 'writing', 'ready', 'failed', 'gone')), asked_at timestamptz not null, kept_until timestamptz,
  hash text collate "C", bytes bigint, pages integer, missing jsonb not null, reason text, gone text,
  done integer, of_all integer);
create index export_file_person on export_file (person_id, asked_at);
create index export_file_hash on export_file (hash);
create index export_file_kept on export_file (kept_until) where state = 'ready';
create table export_picture (
  export_id text collate "C" not null references export_file on delete cascade, picture_id text collate "C" not null references picture on delete cascade, version integer not null, primary key (export_id, picture_id));
create index export_picture_picture on export_picture (picture_id);
`,
  down: `
drop table export_picture, export_file;
`,
}
