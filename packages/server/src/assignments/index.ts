export { assignments } from './domain'
export { followChanges } from './followChanges'
export { publish } from './publish'
export type { PublishRequest } from './publish'
