export { DueRule, USUAL_DAYS, USUAL_DUE, dueFor } from './dueRule'
export type { Due } from './dueRule'
