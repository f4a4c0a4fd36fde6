import type { Domain } from '../domain'
import { insertFolder } from './folders'
import { libraryRoutes } from './routes'

/** Guides in folders: found, made, moved. */
export const library = {
  routes: libraryRoutes,
  demo: ({ database }) => ({ addFolder: (folder: Parameters<typeof insertFolder>[1]) => insertFolder(database, folder) }),
} satisfies Domain
