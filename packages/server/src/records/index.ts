export { recordRoutes } from './routes'
