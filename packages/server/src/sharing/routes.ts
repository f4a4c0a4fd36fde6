import * as contracts from '@jackdaw/contracts/sharing'
import { sendPicture } from '../files'
import { route, type Routes } from '../http'
import * as guests from './guests'
import * as folders from './openFolders'
import { linksPage, makeLink, revoke, visitsOf } from './links'
import { saveSharingRules, sharingRules } from './rules'
import { throttleOfLinks } from './throttle'

/** What leads make and see of links. */
function leadRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts
  route(routes, contracts.getSharingRules, () => sharingRules(db))
  route(routes, contracts.saveSharingRules, ({ body }) => saveSharingRules(db, body))
  route(routes, contracts.getFolderOpen, ({ params: { folderId } }) => folders.folderOpen(parts, folderId))
  route(routes, contracts.openFolder, ({ params: { folderId }, body: { open } }, { caller, now }) =>
    folders.setFolderOpen(parts, caller, folderId, open, now),
  )
  route(routes, contracts.listLinks, ({ params: { id } }) => linksPage(db, id))
  route(routes, contracts.createLink, ({ params: { id }, body }, { caller, now }) => makeLink(parts, caller, id, body, now))
  route(routes, contracts.revokeLink, ({ params: { id, linkId } }, { now }) => revoke(db, id, linkId, now))
  route(routes, contracts.listGuestVisits, ({ params: { id }, query }) => visitsOf(db, id, query.number ?? ''))
}

/** What guests come to, by a link alone. */
function guestRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db, content } = parts
  const throttle = throttleOfLinks()
  route(routes, contracts.getOpenFolder, async ({ params: { folderId } }, { now }) => {
    await throttle(folderId)
    return folders.openFolderPage(parts, folderId, now)
  })
  route(routes, contracts.getShared, async ({ params: { token }, query }, { now }) => {
    await throttle(token)
    return guests.sharedBehind(db, token, query.visit, now)
  })
  route(routes, contracts.beginVisit, async ({ params: { token }, body }, { now }) => {
    await throttle(token)
    await guests.begin(db, token, body, now)
  })
  route(routes, contracts.getSharedHolding, async ({ params: { token, edition } }, { now }) => {
    await throttle(token)
    return guests.holdingBehind(db, token, edition, now)
  })
  route(routes, contracts.sendGuestEvents, async ({ params: { token }, body }, { req, now }) => {
    await throttle(token)
    return guests.takeEvents(parts, token, body, req, now)
  })
  route(routes, contracts.getSharedPicture, async ({ params: { token, ...wanted }, query }, { req, res, now }) => {
    await throttle(token)
    await sendPicture(
      req,
      res,
      content,
      await guests.pictureBehind(db, token, { ...wanted, visit: query.visit }, now),
      query.size ?? 'full',
    )
  })
}

export function sharingRoutes(routes: Routes): void {
  leadRoutes(routes)
  guestRoutes(routes)
}
