import { getLook } from '@jackdaw/contracts/look'
import type { Domain } from '../domain'
import { firstRead } from '../http'
import { removeStrayFiles } from '../files'
import { job } from '../jobs'
import { demoGuides } from './demo'
import { handsOverGuides } from './handsOver'
import { dropUnusedPictures } from './dropUnusedPictures'
import { relationsToGuide } from './relationsToGuide'
import { guideRoutes } from './routes'

/** Drafts and editions of guides. */
export const guides = {
  routes: guideRoutes,
  firstReads: { '*': [firstRead(getLook)] },
  jobs: [
    job('remove-unused-pictures', async ({ database, content, log }, _nothing, { now }) => {
      const pictures = await dropUnusedPictures(database, now)
      log.info({ pictures, files: await removeStrayFiles(database, content, now) }, 'nothing referred to these')
    }),
  ],
  relations: ({ database }) => ({ guide: (caller, id) => relationsToGuide(database, caller, id) }),
  handsOver: handsOverGuides,
  demo: demoGuides,
} satisfies Domain
