export { ALL_WAYS, WAYS, policyOf, waysWhere } from './wayOfUse'
export type { Policy, WayOfUse, WayWhere } from './wayOfUse'
export { Way } from './way'
