import { join } from 'node:path'
import { defineConfig } from 'vitest/config'

const root = import.meta.dirname

/** What takes too long for every change: `npm run test:deep`. */
export default defineConfig({
  test: {
    projects: [
      {
        root,
        test: {
          name: 'properties',
          include: ['packages/{core,web}/src/**/*.test.ts'],
          exclude: ['**/readmes.test.ts', '**/node_modules/**'],
          environment: 'node',
          setupFiles: [join(root, 'packages/core/src/testing/manyRuns.ts')],
          testTimeout: 900_000,
        },
      },
      {
        root,
        test: {
          name: 'deep',
          include: ['packages/server/src/deep/*.spec.ts', 'packages/server/src/http/everyEndpoint.test.ts'],
          environment: 'node',
          globalSetup: [join(root, 'packages/server/src/testing/throwAwayCluster.ts')],
          maxWorkers: 1,
          hookTimeout: 120_000,
        },
      },
      {
        root,
        test: {
          name: 'pages',
          include: ['e2e/src/deep/*.spec.ts', 'e2e/src/recorderPictures.spec.ts'],
          environment: 'node',
          globalSetup: [join(root, 'packages/server/src/testing/throwAwayCluster.ts'), join(root, 'e2e/src/demoTemplate.ts')],
          maxWorkers: 1,
          testTimeout: 400_000,
          hookTimeout: 120_000,
          retry: 1,
        },
      },
    ],
  },
})
