export { records } from './domain'
