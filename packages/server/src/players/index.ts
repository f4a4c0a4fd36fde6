export { players } from './domain'
export { attemptsOfPerson } from './attempts'
export * from './figures'
