export { hashPassword } from './password'
export { peopleRoutes, whoIs } from './routes'
export { relationsToGuide, relationsToPerson } from './store'
