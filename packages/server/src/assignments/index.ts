export { assignments } from './domain'
