import { join } from 'node:path'
import { defineConfig } from 'vitest/config'

const root = import.meta.dirname
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
        },
      },
      {
        root,
        test: {
          name: 'e2e',
          include: ['e2e/src/**/*.spec.ts'],
          environment: 'node',
          globalSetup: [cluster],
          testTimeout: 180_000,
          hookTimeout: 120_000,
          maxWorkers: 1,
        },
      },
    ],
  },
})
