export { remarkRoutes } from './routes'
