import { nanoid } from 'nanoid'
import type { RouteRow } from './exchangeRows'
import { aFolder, aShareLink } from './hostile/sharingThings'
import type { Company, TestServer } from './testServer'

type Made = { server: TestServer; company: Company; guideId: string }
const ALL = (status: number) => [status, status, status, status, status, status, status, status] as const

/** Rows for links and guests. A link is shown by whoever has it, whoever they are; made and taken back by those who may publish the guide. */
// prettier-ignore
export function sharingRows(made: () => Made): RouteRow[] {
  const link = () => aShareLink(made().server, { guideId: made().guideId, madeBy: made().company.people.lead })
  const shared = async (rest = '') => `/api/shared/${(await link()).token}${rest}`
  return [
    ['get /api/sharing', (c) => c.send('get', '/api/sharing'), [401, 403, 403, 403, 403, 403, 403, 200]],
    ['put /api/sharing', (c) => c.send('put', '/api/sharing', { anyone: true, frames: [] }), [401, 403, 403, 403, 403, 403, 403, 200]],
    ['get /api/folders/:folderId/open', async (c) => c.send('get', `/api/folders/${await aFolder(made().server)}/open`), [401, 403, 403, 403, 403, 403, 200, 200]],
    ['put /api/folders/:folderId/open', async (c) => { await link(); return c.send('put', `/api/folders/${await aFolder(made().server)}/open`, { open: true }) }, [401, 403, 403, 403, 403, 403, 200, 200]],
    ['get /api/open-folders/:folderId', async (c) => { await link(); return c.send('get', `/api/open-folders/${await aFolder(made().server, made().company.people.lead)}`) }, ALL(200)],
    ['get /api/guides/:id/links', (c) => c.send('get', `/api/guides/${made().guideId}/links`), [401, 404, 403, 403, 404, 403, 200, 200]],
    ['post /api/guides/:id/links', async (c) => { await link(); return c.send('post', `/api/guides/${made().guideId}/links`, { asksFor: null, carries: null, expiresOn: null }) }, [401, 404, 403, 403, 404, 403, 200, 200]],
    ['post /api/guides/:id/links/:linkId/revoke', async (c) => c.send('post', `/api/guides/${made().guideId}/links/${(await link()).id}/revoke`), [401, 404, 403, 403, 404, 403, 204, 204]],
    ['get /api/guides/:id/guest-visits', (c) => c.send('get', `/api/guides/${made().guideId}/guest-visits`), [401, 404, 403, 403, 404, 403, 200, 200]],
    ['get /api/guides/:id/editions/:edition/holding', (c) => c.send('get', `/api/guides/${made().guideId}/editions/1/holding`), [401, 404, 200, 403, 404, 200, 200, 200]],
    ['post /api/guides/:id/editions/:edition/withdraw', (c) => c.send('post', `/api/guides/${made().guideId}/editions/1/withdraw`, { why: 'Wrong' }), [401, 404, 403, 403, 404, 403, 409, 409]],
    ['get /api/shared/:token', async (c) => c.send('get', await shared()), ALL(200)],
    ['post /api/shared/:token/visits', async (c) => c.send('post', await shared('/visits'), { visit: nanoid(), number: null }), ALL(204)],
    ['get /api/shared/:token/editions/:edition/holding', async (c) => c.send('get', await shared('/editions/1/holding')), ALL(200)],
    ['post /api/shared/:token/events', async (c) => c.send('post', await shared('/events'), { visit: nanoid(), sentAt: Date.now(), events: [{}] }), ALL(200)],
    ['get /shared/:token/editions/:edition/pictures/:pictureId', async (c) => c.send('get', `/shared/${(await link()).token}/editions/1/pictures/${nanoid()}`), ALL(404)],
  ]
}
