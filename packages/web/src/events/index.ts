export { flush, leaveNoEvents, outboxState, record, startOutbox } from './outbox'
export { useStepTime } from './useStepTime'
