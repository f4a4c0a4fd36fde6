import { getOpenFolder, getShared } from '@jackdaw/contracts/sharing'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { sharingRoutes } from './routes'
import { sharingRules } from './rules'

/** Links by which others come to guides, and what guests do there. */
export const sharing = {
  routes: sharingRoutes,
  framed: ({ database }) => ({
    path: /^\/(l|open)\//,
    by: async () => {
      const { anyone, frames } = await sharingRules(database)
      return anyone ? frames : []
    },
  }),
  firstReads: {
    '/l/:token': [firstRead(getShared, { params: ({ token = '' }) => ({ token }), query: {} })],
    '/open/:folderId': [firstRead(getOpenFolder, { params: ({ folderId = '' }) => ({ folderId }) })],
  },
} satisfies Domain
