export { JOBS } from './jobs'
export type { JobData, JobName, JobRules } from './jobs'
export { turnAt } from './every'
export type { Every } from './every'
