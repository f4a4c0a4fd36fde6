export { exchange } from './domain'
