export { AudienceRule, NOBODY, reasonsFor } from './audienceRule'
export type { AudienceReason } from './audienceRule'
