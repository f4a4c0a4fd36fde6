export { ProcessPool } from './processPool'
export type { AnswerMessageOf, JobMessageOf, OutcomeOf, ProcessLimits } from './processPool'
