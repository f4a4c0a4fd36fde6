export { frameOrigin, LINK_ASKS, LinkAsks, linkStanding, numberKey, UseNumber } from './shareLink'
export type { LinkStanding } from './shareLink'
export { forGuests } from './forGuests'
