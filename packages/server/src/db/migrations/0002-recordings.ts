import type { Migration } from '../migration'

/** Paired recorders, recordings and what they brought. */
export const recordings: Migration = {
  name: '0002-recordings',
  up: `
create table recorder (
  id text primary key, person_id text not null references person, name text not null, token_hash text not null unique,
  paired_at timestamptz not null, seen_at timestamptz not null);
create index recorder_person on recorder (person_id);
create table pairing_code (code_hash text primary key, person_id text not null unique references person, valid_until timestamptz not null);

create table recording (
  id text primary key, person_id text not null references person, language text not null, target jsonb, name_salt text not null,
  started_at timestamptz not null, finished_at timestamptz, guide_id text references guide, outcome jsonb);
create index recording_person on recording (person_id);
create table recording_action (
  recording_id text not null references recording on delete cascade, action_id text not null, action jsonb not null, primary key (recording_id, action_id));
-- picture_id is given when the recording becomes a draft.
create table recording_shot (
  recording_id text not null references recording on delete cascade, shot_id text not null, media_type text not null, width_px integer not null, height_px integer not null,
  full_hash text not null, screen_hash text not null, thumb_hash text not null, picture_id text references picture, primary key (recording_id, shot_id));
`,
  down: 'drop table recording_shot, recording_action, recording, pairing_code, recorder;',
}
