export { canFinish, furthestOpen, reduceReader, startReading, unseen } from './reader'
export type { ReaderEffect, ReaderEvent, ReaderState } from './reader'
