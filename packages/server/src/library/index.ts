export { library } from './domain'
