import { anExport } from './hostile/exchangeThings'
import type { Client, Company, TestServer } from './testServer'

/** A route, how it is called, and what each caller gets: see `everyRoute.test.ts`. */
export type RouteRow = [
  route: string,
  call: (client: Client, who: string) => Promise<Response>,
  expected: readonly [number, number, number, number, number, number, number, number],
]
type Made = { server: TestServer; company: Company; guideId: string }

const exportOfStaff = ({ server, company }: Made) => anExport(server, company.people.staff)

/** Rows for what leads out of the application. Files are for whoever had them made. */
// prettier-ignore
export const exchangeRows = (made: () => Made): RouteRow[] => [
  ['post /api/exports', (c) => c.send('post', '/api/exports', { what: { of: 'guides', guides: [made().guideId] }, as: { format: 'pdf', paper: 'a4' }, title: '', draft: false }), [401, 404, 200, 404, 404, 200, 200, 200]],
  ['get /api/exports', (c) => c.send('get', '/api/exports'), [401, 200, 200, 200, 200, 200, 200, 200]],
  ['get /api/exports/:id', async (c) => c.send('get', `/api/exports/${await exportOfStaff(made())}`), [401, 404, 200, 404, 404, 404, 404, 404]],
  ['delete /api/exports/:id', async (c) => c.send('delete', `/api/exports/${await exportOfStaff(made())}`), [401, 404, 204, 404, 404, 404, 404, 404]],
  ['get /exports/:id/file', async (c) => c.send('get', `/exports/${await exportOfStaff(made())}/file`), [401, 404, 409, 404, 404, 404, 404, 404]],
]
