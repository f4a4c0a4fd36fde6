import { seedDemo } from '@jackdaw/demo'
import { LocalDate, localDateAt } from '@jackdaw/core/shared'
import { underLock } from './db'
import { demoServices } from './demoServices'
import type { Parts } from './http'
import { PERSON } from './people'
import { readSetting, writeSetting } from './settings'

const LOCK = 7_203_116

/** Loads the demo company once. A load that was broken off is cleared away and done again.
 * @param folder where the demo's texts and pictures lie
 * @param anew   clear everything away and load it again, with the anchor of today or of the configuration
 * @returns whether it was loaded now */
export async function loadDemoOnce(parts: Parts, folder: string, anew = false): Promise<boolean> {
  const { database, config, clock, log } = parts
  return underLock(
    database,
    async () => {
      const state = await readSetting<{ anchor: string; whole: boolean }>(database, 'demo')
      if (state?.whole && !anew) return false
      if (!state && (await database.in(PERSON).count({})) > 0) return false
      if (state) await clear(parts)
      const anchor = config.demoAnchor === '' ? localDateAt(clock(), 'UTC') : LocalDate.parse(config.demoAnchor)
      const write = (whole: boolean) => writeSetting(database, 'demo', { anchor, whole })
      await write(false)
      log.info({ anchor }, 'loading the demo company')
      await seedDemo(demoServices(parts), folder, anchor)
      await write(true)
      return true
    },
    LOCK,
  )
}

/** Empties every table but the list of migrations, and the kinds of groups that every company has. */
async function clear({ database }: Parts): Promise<void> {
  const tables = await database.rows<{ name: string }>(
    `select tablename as name from pg_tables where schemaname = 'public' and tablename not in ('migration', 'group_kind')`,
  )
  await database.rows(`truncate ${tables.map((table) => `"${table.name}"`).join(', ')} restart identity cascade`)
  await database.rows('delete from group_kind where not built_in')
  await database.rows('truncate jobs.job, jobs.archive')
}
