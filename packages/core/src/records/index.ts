export { biggestLoss, dropOff } from './dropOff'
export type { DropOff, StepReach } from './dropOff'
export { csv } from './csv'
export { hardestStep, LEAST_TIMES } from './hardestStep'
