export { assignmentRoutes } from './routes'
export { followChanges } from './assign'
export { publish } from './publish'
export type { PublishRequest } from './publish'
