export { remarks } from './domain'
