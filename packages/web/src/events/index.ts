export { flush, leaveNoEvents, outboxState, record, settled, startOutbox, useFinishFate } from './outbox'
export { useStepTime } from './useStepTime'
