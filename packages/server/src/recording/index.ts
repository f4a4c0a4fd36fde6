export { recording } from './domain'
