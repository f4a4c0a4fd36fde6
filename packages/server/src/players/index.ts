export { playerRoutes } from './routes'
export { actInTest, attemptsOfPerson, giveUpTest, openTest } from './attempts'
