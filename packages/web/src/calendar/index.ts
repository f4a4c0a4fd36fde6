export { WorkingDays } from './WorkingDays'
