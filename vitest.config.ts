import { join } from 'node:path'
import { defineConfig } from 'vitest/config'

const root = import.meta.dirname
const recording = process.env['RECORD_CORPUS'] !== undefined || process.env['RECORD_DEMO'] !== undefined
const cluster = join(root, 'packages/server/src/testing/throwAwayCluster.ts')

export default defineConfig({
  test: {
    projects: [
      {
        root,
        test: {
          name: 'unit',
          include: [
            'packages/{core,contracts,web,recorder}/src/**/*.test.ts',
            'standins/*/src/**/*.test.ts',
            'demo/src/**/*.test.ts',
            'scripts/**/*.test.mjs',
          ],
          environment: 'node',
          testTimeout: 20_000,
          sequence: { groupOrder: 0 },
        },
      },
      {
        root,
        test: {
          name: 'server',
          include: ['packages/server/src/**/*.test.ts'],
          environment: 'node',
          globalSetup: [cluster],
          testTimeout: 30_000,
          hookTimeout: 60_000,
          sequence: { groupOrder: 1 },
        },
      },
      {
        root,
        test: {
          name: 'e2e',
          // Recordings for the corpus and the demo are made anew only when somebody asks for it.
          include: recording ? ['e2e/src/corpus/*.record.ts'] : ['e2e/src/*.spec.ts'],
          environment: 'node',
          globalSetup: [cluster, join(root, 'e2e/src/demoTemplate.ts')],
          testTimeout: 180_000,
          hookTimeout: 120_000,
          // Each file has a database, a server and a browser of its own; while one waits as a person does, another one works.
          maxWorkers: Number(process.env['JOURNEYS_AT_ONCE'] ?? 2),
          sequence: { groupOrder: 2 },
          // A browser on a busy machine misses a beat now and then; what fails twice running fails.
          retry: 1,
        },
      },
    ],
  },
})
