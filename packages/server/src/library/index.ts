export { library } from './domain'
export { FOLDER } from './model'
