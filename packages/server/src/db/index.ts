export { openDatabase } from './database'
export type { Database, Db } from './database'
export { keepPlan } from './keptPlan'
export { isMigrated, migrateDown, migrateUp, underLock } from './migrate'
export {
  big,
  counted,
  day,
  instant,
  json,
  key,
  optional,
  real,
  small,
  table,
  text,
  texts,
  truth,
  usually,
  uuid,
  whole,
  wholes,
  xid,
} from './table'
