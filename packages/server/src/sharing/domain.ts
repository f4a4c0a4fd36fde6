import { getOpenFolder, getShared } from '@jackdaw/contracts/sharing'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { sharingRoutes } from './routes'
import { addVisit, keepLink } from './demo'
import { saveSharingRules, sharingRules } from './rules'

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
  demo: ({ database }) => ({
    allowGuests: () => saveSharingRules(database, { anyone: true, frames: [] }),
    addShareLink: (link: Parameters<typeof keepLink>[1]) => keepLink(database, link),
    addGuestVisit: (visit: Parameters<typeof addVisit>[1]) => addVisit(database, visit),
  }),
} satisfies Domain
