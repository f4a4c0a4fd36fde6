export { eventRoutes } from './routes'
export { takeEvents } from './intake'
export { recount } from './recount'
