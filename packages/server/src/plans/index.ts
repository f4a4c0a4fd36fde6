export { plans } from './domain'
