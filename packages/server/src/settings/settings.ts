import type { Db } from '../db'
import { SETTING } from './model'

/** What a setting was set to last; `undefined` when it never was. */
export const readSetting = async <T>(db: Db, key: string): Promise<T | undefined> =>
  (await db.in(SETTING).one({ key }))?.value as T | undefined
/** Sets a setting. */
export const writeSetting = (db: Db, key: string, value: unknown): Promise<void> =>
  db.in(SETTING).insertAll([{ key, value }], { inPlaceOf: ['value'] })
/** Forgets a setting. */
export const dropSetting = (db: Db, key: string): Promise<unknown> => db.in(SETTING).remove({ key })
