import { Look, PLAIN_LOOK } from '@jackdaw/core/guides'
import type { Db } from '../db'
import { SETTING } from './model'

/** How the company's guides look; what was never chosen is as it ships. */
export async function findLook(db: Db): Promise<Look> {
  const row = await db.in(SETTING).one({ key: 'look' })
  return { ...PLAIN_LOOK, ...(row?.value as Partial<Look> | undefined) }
}

export async function writeLook(db: Db, look: Look): Promise<void> {
  await db.in(SETTING).insertAll([{ key: 'look', value: look }], { inPlaceOf: ['value'] })
}
