import { PLAIN_LOOK, type Look } from '@jackdaw/core/guides'
import type { Db } from '../db'
import { readSetting, writeSetting } from '../settings'

/** How the company's guides look; what was never chosen is as it ships. */
export const findLook = async (db: Db): Promise<Look> => ({ ...PLAIN_LOOK, ...(await readSetting<Partial<Look>>(db, 'look')) })

export const writeLook = (db: Db, look: Look): Promise<void> => writeSetting(db, 'look', look)
