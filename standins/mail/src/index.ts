export { PostRoom } from './postRoom'
export type { Letter } from './postRoom'
export { postRoomPages } from './server'
export { smtpFor } from './smtp'
