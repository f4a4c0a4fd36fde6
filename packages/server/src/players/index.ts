export { playerRoutes } from './routes'
export { attemptsOfPerson } from './attempts'
