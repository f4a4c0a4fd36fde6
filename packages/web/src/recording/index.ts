export { RecordDialog } from './RecordDialog'
export { useRecordInto } from './useRecordInto'
