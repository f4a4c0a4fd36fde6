import { importGuide as importEndpoint } from '@jackdaw/contracts/exchange'
import { failField, route, type Routes } from '../http'
import { importGuide } from './importing/importGuide'

export function exchangeRoutes(routes: Routes): void {
  route(routes, importEndpoint, async ({ bytes, query }, { caller, now }) => {
    if (query.folder && !(await routes.parts.database.one('select 1 from folder where id = $1 and archived_at is null', [query.folder])))
      failField('/query/folder', 'There is no such folder.')
    return importGuide(routes.parts, caller, { bytes, fileName: query.name, folderId: query.folder ?? null }, now)
  })
}
