export { canFinish, furthestOpen, isWaiting, reduceReader, startReading, unseen } from './reader'
export type { ReaderEffect, ReaderEvent, ReaderState } from './reader'
