export { playerRoutes } from './routes'
export { actInAttempt, attemptsOfPerson, giveUpAttempt, openAttempt } from './attempts'
