export { engagement } from './domain'
