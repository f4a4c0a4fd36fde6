export { libraryRoutes } from './routes'
export { insertFolder } from './folders'
