export {
  idOf,
  kindOfId,
  PersonId,
  TeamId,
  RoleId,
  SiteId,
  DepartmentId,
  FolderId,
  GuideId,
  StepId,
  SectionId,
  PictureId,
  EntryId,
} from './ids'
export type { NewId } from './ids'
export { LocalDate } from './localDate'
export { localDateAt, localTimeAt, addDays, endOfLocalDay, daysBetween } from './days'
export { seededRandom, seededIds } from './random'
export { csvHead, csvLines } from './csv'
export type { CsvRow } from './csv'
export { canonicalJson } from './canonicalJson'
export { sameValue } from './sameValue'
export { reasonOf } from './reasonOf'
export { byId } from './byId'
export { known, nth } from './nth'
export { entriesOf, keysOf } from './keysOf'
export { Instant, MOST_WHOLE, Whole } from './whole'
