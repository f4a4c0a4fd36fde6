import { listFolders, listGuides } from '@jackdaw/contracts/library'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { insertFolder } from './folders'
import { shareWith } from './guides'
import { libraryRoutes } from './routes'

/** Guides in folders: found, made, moved. */
export const library = {
  routes: libraryRoutes,
  firstReads: {
    '/library': [firstRead(listFolders), firstRead(listGuides, { query: { archived: 'no', sort: 'number', direction: 'up', page: 1 } })],
  },
  demo: ({ database, config, newId }) => ({
    addFolder: (folder: Parameters<typeof insertFolder>[1]) => insertFolder(database, folder),
    share: (guideId: GuideId, people: readonly PersonId[], by: { id: PersonId; name: string }, now: number) =>
      shareWith(database, { newId, config, mail: null }, by, guideId, people, now),
  }),
} satisfies Domain
