export { calendar } from './domain'
export { calendarsOf } from './store'
