export { audiences } from './domain'
export { audienceFor, audienceShown, dropUnused } from './saved'
export { idsOf, LISTED, membersOf, reasonsOf } from './people'
