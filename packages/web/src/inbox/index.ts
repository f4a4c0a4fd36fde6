export { InboxMark } from './InboxMark'
