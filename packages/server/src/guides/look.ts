import { Look, PLAIN_LOOK } from '@jackdaw/core/guides'
import type { Db } from '../db'

/** How the company's guides look; what was never chosen is as it ships. */
export async function findLook(db: Db): Promise<Look> {
  const row = await db.one<{ value: Partial<Look> }>("select value from setting where key = 'look'")
  return { ...PLAIN_LOOK, ...row?.value }
}

export async function writeLook(db: Db, look: Look): Promise<void> {
  await db.rows("insert into setting (key, value) values ('look', $1) on conflict (key) do update set value = excluded.value", [
    JSON.stringify(look),
  ])
}
