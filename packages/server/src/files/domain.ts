import type { Domain } from '../domain'
import { demoFiles } from './demo'
import { removeNotedFiles } from './removeFiles'

/** Stored pictures. */
export const files = {
  atStart: ({ database, content }) => removeNotedFiles(database, content),
  demo: demoFiles,
} satisfies Domain
