export { tasks } from './domain'
export { TASK } from './model'
export { countToConfirm } from './shown'
export { publishTask } from './writing'
