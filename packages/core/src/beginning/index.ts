export { FirstStep, orderSteps } from './firstSteps'
