export { amend } from './amend'
export { events } from './domain'
export { takeGuestEvents } from './guests'
export { seenBy } from './seenBy'
export { addAttested, oneAtATime } from './insert'
export type { NewEvent } from './insert'

export { recount } from './recount'
export { noteGiven } from './vouching'
