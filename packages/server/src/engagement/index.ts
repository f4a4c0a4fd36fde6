export { engagement } from './domain'
export { saveGoal } from './goals'
