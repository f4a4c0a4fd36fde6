export { UsageEvent, MAX_ACTIVE_MS, EVENT_SCHEMA_VERSION, correctedTime } from './event'
export type { UsageVerb } from './event'
export { activeTime, IDLE_AFTER_MS } from './activeTime'
export { StepTimer } from './stepTimer'
