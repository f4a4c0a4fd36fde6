export { playerRoutes } from './routes'
