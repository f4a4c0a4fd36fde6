import type { Domain } from '../domain'
import { job } from '../jobs'
import { addBooklet } from './demo'
import { EXPORT_FILE } from './exporting/model'
import { followBlackouts, removeOld } from './exporting/store'
import { writeExport } from './exporting/writeExport'
import { exchangeRoutes } from './routes'

/** Formats in and out. */
export const exchange = {
  routes: exchangeRoutes,
  relations: ({ database }) => ({
    export: async (caller, id) => {
      const row = await database.in(EXPORT_FILE).one({ id }, { only: ['personId'] })
      return row ? new Set(row.personId === caller.id ? (['self'] as const) : []) : null
    },
  }),
  followsBlackouts: followBlackouts,
  demo: (parts) => ({ addBooklet: (booklet: Parameters<typeof addBooklet>[1]) => addBooklet(parts, booklet) }),
  jobs: [
    job('write-export', (parts, { exportId }, running) => writeExport(parts, exportId, running)),
    job('remove-old-exports', async ({ database, log }, _nothing, { now }) =>
      log.info({ files: await removeOld(database, now) }, 'their days were over'),
    ),
  ],
} satisfies Domain
