export { ALL_WAYS, Way, WAYS, policyOf, waysWhere } from './way'
export type { Policy, WayOfUse, WayWhere } from './way'
