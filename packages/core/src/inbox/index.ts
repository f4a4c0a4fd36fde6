export { aboutAttempt, aboutExport, aboutFigurePage, aboutSurvey, aboutCheckIn, AboutRef, aboutRefOf } from './about'
export { ENTRIES, EntryKind, entrySaid, TO_DO_ENTRIES } from './entries'
export type { EntryData, EntryRules, SaidEntry } from './entries'
export { isQuiet, MailRules, USUAL_MAIL_RULES } from './mailRules'
