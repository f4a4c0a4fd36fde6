export { DueRule, USUAL_DAYS, USUAL_DUE, dueFor } from './dueRule'
export type { Due } from './dueRule'
export { DUE_SOON_MS, ReadingState, readingState } from './readingState'
export type { ReadingFacts } from './readingState'
