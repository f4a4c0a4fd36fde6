export { sharing } from './domain'
