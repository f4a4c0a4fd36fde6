import type { Migration } from '../migration'

/** Sound and video, with their captions; which editions show them. */
export const clips: Migration = {
  name: '0031-clips',
  up: `
create table clip (
  id text collate "C" primary key, owner_kind text collate "C" not null, owner_id text collate "C" not null, kind text collate "C" not null, media_type text, bytes bigint not null, received_bytes bigint not null,
  duration_ms integer, created_by text collate "C" not null references person, created_at timestamptz not null, check (received_bytes between 0 and bytes));
create index clip_owner on clip (owner_kind, owner_id);
create index clip_created on clip (created_at);
create table clip_part (
  clip_id text collate "C" not null references clip on delete cascade, starts_at bigint not null, bytes integer not null, hash text collate "C" not null, primary key (clip_id, starts_at));
create index clip_part_hash on clip_part (hash);
create table clip_captions (
  id text collate "C" primary key, clip_id text collate "C" not null references clip on delete cascade, language text not null, cues jsonb not null, created_at timestamptz not null);
create index clip_captions_clip on clip_captions (clip_id);
create table clip_use (
  item_kind text collate "C" not null, item_id text collate "C" not null, edition integer not null, clip_id text collate "C" not null references clip, primary key (item_kind, item_id, edition, clip_id),
  foreign key (item_kind, item_id, edition) references edition (item_kind, item_id, number));
create index clip_use_clip on clip_use (clip_id);
`,
  down: `
drop table clip_use, clip_captions, clip_part, clip;
`,
}
