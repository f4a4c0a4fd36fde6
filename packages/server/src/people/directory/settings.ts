import { DirectorySettings } from '@jackdaw/contracts/directory'
import type { Db } from '../../db'
import { readSetting, writeSetting } from '../../settings'

const KEY = 'directory'
/** What the company shows everybody of its people; mail addresses and telephone numbers unless it has said otherwise. */
export async function directorySettings(db: Db): Promise<DirectorySettings> {
  const read = DirectorySettings.safeParse(await readSetting(db, KEY))
  return read.success ? read.data : { mail: true, telephone: true }
}
export const saveSettings = (db: Db, settings: DirectorySettings): Promise<void> => writeSetting(db, KEY, settings)
