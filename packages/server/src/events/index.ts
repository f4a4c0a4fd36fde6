export { events } from './domain'
export { addAttested } from './insert'
export type { NewEvent } from './insert'

export { recount } from './recount'
export { noteGiven } from './vouching'
