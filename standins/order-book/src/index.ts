export { orderBook } from './server'
