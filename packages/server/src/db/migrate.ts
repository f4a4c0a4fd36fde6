import { SequelizeStorage, Umzug } from 'umzug'
import type { Database } from './database'
import type { Migration } from './migration'
import { firstTables } from './migrations/0001-first-tables'
import { recordings } from './migrations/0002-recordings'
import { refining } from './migrations/0003-refining'
import { players } from './migrations/0004-players'
import { hardening } from './migrations/0005-hardening'
import { acknowledgements } from './migrations/0006-acknowledgements'
import { remarks } from './migrations/0007-remarks'
import { items } from './migrations/0008-items'
import { eventEnvelope } from './migrations/0009-event-envelope'
import { jobs } from './migrations/0010-jobs'
import { inbox } from './migrations/0011-inbox'
import { notReady } from './migrations/0012-not-ready'
import { language } from './migrations/0013-language'
import { groups } from './migrations/0014-groups'
import { persons } from './migrations/0015-persons'
import { audiences } from './migrations/0016-audiences'
import { accounts } from './migrations/0017-accounts'
import { absences } from './migrations/0018-absences'
import { idsByBytes } from './migrations/0019-ids-by-bytes'
import { calendars } from './migrations/0020-calendars'
import { waivers } from './migrations/0021-waivers'
import { givings } from './migrations/0022-givings'
import { reminders } from './migrations/0023-reminders'
import { favourites } from './migrations/0024-favourites'
import { tasks } from './migrations/0025-tasks'
import { plans } from './migrations/0026-plans'
import { checkIns } from './migrations/0027-check-ins'
import { quizzes } from './migrations/0028-quizzes'
import { judging } from './migrations/0029-judging'
import { quizzesInGuides } from './migrations/0030-quizzesInGuides'
import { clips } from './migrations/0031-clips'
import { exports } from './migrations/0032-exports'
import { readsAsPage } from './migrations/0033-readsAsPage'
import { sharing } from './migrations/0034-sharing'
import { openFolders } from './migrations/0035-openFolders'
import { engagement } from './migrations/0036-engagement'
import { surveys } from './migrations/0037-surveys'
import { releases } from './migrations/0038-releases'
import { goals } from './migrations/0039-goals'
import { searches } from './migrations/0040-searches'
import { figurePages } from './migrations/0041-figure-pages'
import { stepTime } from './migrations/0042-step-time'
import { applications } from './migrations/0043-applications'
import { audienceSurveys } from './migrations/0044-audience-surveys'
import { keptUse } from './migrations/0045-kept-use'
import { useMonths } from './migrations/0046-use-months'
import { usePaths } from './migrations/0047-use-paths'
import { eventMonths } from './migrations/0048-event-months'
import { heldAnswers } from './migrations/0049-held-answers'
import { daysBefore } from './migrations/0050-days-before'

const MIGRATIONS: readonly Migration[] = [
  firstTables,
  recordings,
  refining,
  players,
  hardening,
  acknowledgements,
  remarks,
  items,
  eventEnvelope,
  jobs,
  inbox,
  notReady,
  language,
  groups,
  persons,
  audiences,
  accounts,
  absences,
  idsByBytes,
  calendars,
  waivers,
  givings,
  reminders,
  favourites,
  tasks,
  plans,
  checkIns,
  quizzes,
  judging,
  quizzesInGuides,
  clips,
  exports,
  readsAsPage,
  sharing,
  openFolders,
  engagement,
  surveys,
  releases,
  goals,
  searches,
  figurePages,
  stepTime,
  applications,
  audienceSurveys,
  keptUse,
  useMonths,
  usePaths,
  eventMonths,
  heldAnswers,
  daysBefore,
]
const LOCK = 7_203_114

function umzugFor(database: Database): Umzug {
  const { sequelize } = database
  const inOne = (sql: string) => async () => {
    await sequelize.transaction((transaction) => sequelize.query(sql, { transaction }))
  }
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({ name, up: inOne(up), down: inOne(down) })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migration' }),
    logger: undefined,
  })
}

/** Brings the tables up to date; servers that start at the same time wait for one another. */
export async function migrateUp(database: Database): Promise<string[]> {
  return underLock(database, async () => (await umzugFor(database).up()).map((each) => each.name))
}

/** Takes migrations back, newest first.
 * @param to the last one that is taken back; all without it */
export async function migrateDown(database: Database, to?: string): Promise<string[]> {
  return underLock(database, async () => (await umzugFor(database).down({ to: to ?? 0 })).map((each) => each.name))
}

/** Whether every migration has been carried out. */
export async function isMigrated(database: Database): Promise<boolean> {
  const done = await database.rows<{ name: string }>('select name from migration')
  return MIGRATIONS.every((migration) => done.some((each) => each.name === migration.name))
}

/** Runs work while no other server does it; the others wait. */
export function underLock<T>(database: Database, work: () => Promise<T>, lock = LOCK): Promise<T> {
  return database.transaction(async (tx) => {
    await tx.rows('select pg_advisory_xact_lock($1)', [lock])
    return work()
  })
}
