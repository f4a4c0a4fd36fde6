export { openDatabase } from './database'
export type { Database, Db } from './database'
export { isMigrated, migrateDown, migrateUp, underLock } from './migrate'
