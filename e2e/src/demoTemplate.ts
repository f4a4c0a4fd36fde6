import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { cloneDatabase, DEMO_DATABASE, launch, stop } from './server'

declare module 'vitest' {
  interface ProvidedContext {
    /** Folder with the stored pictures of the demo, to be copied. */
    demoFiles: string
  }
}

/** Loads the demo once, into the cluster that was started before: each file of journeys gets a copy of its own. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const { cluster } = project.getProvidedContext() as unknown as { cluster: string }
  const files = await mkdtemp(join(tmpdir(), 'jackdaw-demo-'))
  await cloneDatabase(cluster, DEMO_DATABASE, 'template_jackdaw')
  const { child } = await launch({ cluster, database: DEMO_DATABASE, files })
  await stop(child, 'SIGTERM')
  project.provide('demoFiles', files)
  return () => rm(files, { recursive: true, force: true })
}
