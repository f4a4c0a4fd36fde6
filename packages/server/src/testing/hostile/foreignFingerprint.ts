import type { Db } from '../../db'

/** A fingerprint of what belongs to somebody else. */
export async function foreignFingerprint(database: Db, foreign: Readonly<Record<string, string>>): Promise<string> {
  const ids = ['guide', 'recording', 'entry', 'task', 'hand-in', 'check-in', 'quiz', 'quiz-attempt', 'clip'].map((kind) => foreign[kind])
  const row = await database.one<{ hash: string }>(
    `select md5(concat(
      (select string_agg(t::text, '|') from guide t where id = $1), (select string_agg(t::text, '|') from item t where id = $1), (select string_agg(t::text, '|') from draft t where guide_id = $1),
      (select string_agg(t::text, '|' order by t::text) from picture t where item_id = $1),
      (select string_agg(t::text, '|' order by t::text) from picture_version t join picture p on p.id = t.picture_id where p.item_id = $1),
      (select string_agg(t::text, '|' order by t::text) from edition t where item_id = $1),
      (select string_agg(t::text, '|' order by t::text) from attempt t where item_id = $1),
      (select string_agg(t::text, '|' order by t::text) from giving t where item_id = $1),
      (select string_agg(t::text, '|') from task t where id = $4), (select string_agg(t::text, '|') from hand_in t where id = $5), (select string_agg(t::text, '|') from check_in_answers t where check_in_id = $6),
      (select string_agg(t::text, '|') from quiz t where id = $7), (select string_agg(t::text, '|') from quiz_attempt t where id = $8), (select string_agg(t::text, '|') from quiz_answer t where attempt_id = $8),
      (select string_agg(t::text, '|') from clip t where id = $9), (select string_agg(t::text, '|') from clip_captions t where clip_id = $9),
      (select string_agg(t::text, '|' order by t::text) from remark t where item_id = $1),
      (select string_agg(t::text, '|' order by t::text) from inbox_entry t where id = $3),
      (select string_agg(t::text, '|' order by t::text) from recording_action t where recording_id = $2))) as hash`,
    ids,
  )
  return row!.hash
}
