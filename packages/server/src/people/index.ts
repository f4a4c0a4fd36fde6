export { hashPassword } from './password'
export { peopleRoutes, whoIs } from './routes'
export { countTry, forgiveTries } from './signInGuard'
export { findCaller, relationsToGuide, relationsToPerson } from './store'
