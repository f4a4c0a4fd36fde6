export { eventRoutes } from './routes'
export { addAttested, takeEvents } from './intake'
export type { AttestedEvent } from './intake'
export { recount } from './recount'
