export { assignments } from './domain'
export { followChanges } from './assign'
export { publish } from './publish'
export type { PublishRequest } from './publish'
