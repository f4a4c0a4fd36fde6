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
  firstSteps: {
    guide: "exists (select 1 from item where kind = 'guide' and edition is not null)",
    read: "exists (select 1 from item_progress p join guide g on g.id = p.item_id where p.item_kind = 'guide' and p.finished_at is not null and p.person_id <> g.owner_id)",
  },
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
