export { engagement } from './domain'
export { saveGoal } from './goals'
export { keepSearch } from './searches'
export { savePage } from './pages/store'
