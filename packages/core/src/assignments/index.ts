export { DueRule, MOST_DUE_DAYS, USUAL_DAYS, USUAL_DUE, dueFor } from './dueRule'
export type { Due, DueFacts } from './dueRule'
export { HANDLED, Handling, handledAs, WAIVER_LETTERS } from './handling'
export type { Handled, StandingLine } from './handling'
