export { flush, leaveNoEvents, outboxState, record, startOutbox, useFinishFate } from './outbox'
export { readingSettled } from './readingSettled'
export { useStepTime } from './useStepTime'
