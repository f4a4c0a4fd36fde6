import type { Domain } from '../domain'
import { job } from '../jobs'
import { clipUploadRoutes, relationsToClip } from './clips/uploads'
import { demoFiles } from './demo'
import { removeNotedFiles } from './removeFiles'

/** Stored pictures, sound and video. */
export const files = {
  routes: clipUploadRoutes,
  relations: ({ database }) => ({ clip: (caller, id) => relationsToClip(database, caller, id) }),
  jobs: [job('remove-noted-files', ({ database, content }) => removeNotedFiles(database, content))],
  demo: demoFiles,
} satisfies Domain
