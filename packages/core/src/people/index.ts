export { Permission, Level, LEVEL_PRESETS } from './permissions'
export { RIGHTS, may, KNOWS_GUIDE_BY, KNOWS_PERSON_BY } from './rights'
export type { Action, Relation } from './rights'
export { SIGN_IN_LIMITS, secondsToWait } from './signInThrottle'
