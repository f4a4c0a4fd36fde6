export { flush, leaveNoEvents, outboxState, record, settled, startOutbox } from './outbox'
export { useStepTime } from './useStepTime'
