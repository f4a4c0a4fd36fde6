import { importGuide as importEndpoint } from '@jackdaw/contracts/exchange'
import { createExport, getExport, listExports, removeExport, sendExport } from '@jackdaw/contracts/exports'
import { aboutExport } from '@jackdaw/core/inbox'
import type { ExportId } from '@jackdaw/core/shared'
import { fail, failField, route, type Routes } from '../http'
import { takeBack } from '../inbox'
import { EXPORT_FILE } from './exporting/model'
import { sendFile } from './exporting/sendFile'
import { listOf, order, remove, shown } from './exporting/store'
import { importGuide } from './importing/importGuide'

export function exchangeRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, importEndpoint, async ({ bytes, query }, { caller, now }) => {
    if (query.folder && !(await db.one('select 1 from folder where id = $1 and archived_at is null', [query.folder])))
      failField('/query/folder', 'There is no such folder.')
    return importGuide(routes.parts, caller, { bytes, fileName: query.name, folderId: query.folder ?? null }, now)
  })

  const rowOf = async (id: ExportId) => (await db.in(EXPORT_FILE).one({ id })) ?? fail('not-found')
  route(routes, createExport, async ({ body }, { caller, now }) => ({ id: await order(routes.parts, caller, body, now) }))
  route(routes, listExports, (_input, { caller }) => listOf(db, caller.id))
  route(routes, getExport, async ({ params: { id } }) => shown(await rowOf(id)))
  route(routes, removeExport, ({ params: { id } }) => remove(db, id))
  route(routes, sendExport, async ({ params: { id } }, { caller, res }) => {
    await sendFile(routes.parts, await rowOf(id), res)
    // Whoever has it need not be told that it is there.
    await takeBack(db, 'export-ready', aboutExport(id), [caller.id])
  })
}
