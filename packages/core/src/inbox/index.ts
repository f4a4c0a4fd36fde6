export { ENTRIES, entrySaid } from './entries'
export type { EntryData, EntryKind, EntryRules, SaidEntry } from './entries'
