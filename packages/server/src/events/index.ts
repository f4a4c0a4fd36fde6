export { amend } from './amend'
export { events } from './domain'
export { addAttested, oneAtATime } from './insert'
export type { NewEvent } from './insert'

export { recount } from './recount'
export { noteGiven } from './vouching'
