import { expect, it } from 'vitest'
import { newDatabase } from '../testing/testServer'
import { openDatabase } from './database'
import { isMigrated, migrateDown, migrateUp } from './migrate'

it('leads up, all the way down, and up again; two servers at once do not trip over each other', async () => {
  const url = await newDatabase()
  const [one, two] = [openDatabase(url, 3), openDatabase(url, 3)]
  const tables = () => one.rows<{ name: string }>(`select tablename as name from pg_tables where schemaname = 'public' order by 1`)
  const before = await tables()
  expect(before.length).toBeGreaterThan(20)
  await migrateDown(one)
  expect((await tables()).map((table) => table.name)).toEqual(['migration'])
  expect(await isMigrated(one)).toBe(false)
  const [first, second] = await Promise.all([migrateUp(one), migrateUp(two)])
  expect([...first, ...second].sort()).toEqual([
    '0001-first-tables',
    '0002-recordings',
    '0003-refining',
    '0004-players',
    '0005-hardening',
    '0006-acknowledgements',
    '0007-remarks',
    '0008-items',
    '0009-event-envelope',
    '0010-jobs',
    '0011-inbox',
    '0012-not-ready',
    '0013-language',
    '0014-groups',
    '0015-persons',
    '0016-audiences',
    '0017-accounts',
    '0018-absences',
    '0019-ids-by-bytes',
    '0020-calendars',
    '0021-waivers',
    '0022-givings',
    '0023-reminders',
    '0024-favourites',
    '0025-tasks',
    '0026-plans',
    '0027-check-ins',
    '0028-quizzes',
    '0029-judging',
    '0030-quizzes-in-guides',
    '0031-clips',
    '0032-exports',
    '0033-reads-as-page',
    '0034-sharing',
    '0035-open-folders',
    '0036-engagement',
    '0037-surveys',
    '0038-releases',
    '0039-goals',
    '0040-searches',
    '0041-figure-pages',
    '0042-step-time',
    '0043-applications',
    '0044-audience-surveys',
    '0045-kept-use',
    '0046-use-months',
    '0047-use-paths',
    '0048-event-months',
    '0049-held-answers',
    '0050-days-before',
  ])
  expect(await tables()).toEqual(before)
  await one.close()
  await two.close()
})
it('sorts names as people do', async () => {
  const database = openDatabase(await newDatabase(), 1)
  const rows = await database.rows<{ name: string }>(
    `select name from (values ('Zofia'), ('Łukasz'), ('Ágata'), ('Bram')) as x (name) order by name`,
  )
  expect(rows.map((row) => row.name)).toEqual(['Ágata', 'Bram', 'Łukasz', 'Zofia'])
  await database.close()
})
