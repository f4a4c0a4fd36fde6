export { partsSeenOf, recordOfPerson, recordsOf } from './itemPages'
