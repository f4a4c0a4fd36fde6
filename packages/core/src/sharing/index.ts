export { frameOrigin, LINK_ASKS, LinkAsks, linkStanding, UseNumber } from './shareLink'
export type { LinkStanding } from './shareLink'
export { isUseNumber, LONGEST_NUMBER, numberKey } from './useNumber'
export { forGuests } from './forGuests'
