import type { Domain } from '../domain'
import { job } from '../jobs'
import { demoFiles } from './demo'
import { removeNotedFiles } from './removeFiles'

/** Stored pictures. */
export const files = {
  jobs: [job('remove-noted-files', ({ database, content }) => removeNotedFiles(database, content))],
  demo: demoFiles,
} satisfies Domain
