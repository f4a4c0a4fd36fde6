export { people } from './domain'
export { countTry, forgiveTries } from './signInGuard'
export { findCaller } from './store'
