export { HandleDialog } from './HandleDialog'
export type { HandlingKind } from './HandleDialog'
export { WhyGiven } from './WhyGiven'
export { MyReminders } from './MyReminders'
