import { getFigurePage, listFigurePages, mailFigurePage, removeFigurePage, setFigurePage } from '@jackdaw/contracts/figurePages'
import { localDateAt } from '@jackdaw/core/shared'
import { route, type Routes } from '../../http'
import { dropPage, mailPage, pageFor, pagesFor, savePage } from './store'

/** Pages of figures that people have arranged. */
export function figurePageRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, listFigurePages, (_input, { caller }) => pagesFor(db, caller.id))
  route(routes, getFigurePage, ({ params: { pageId } }, { caller }) => pageFor(db, caller.id, pageId))
  route(routes, setFigurePage, async ({ params: { pageId }, body }, { caller, now }) => ({
    revision: await savePage(db, pageId, caller.id, body, now),
  }))
  route(routes, removeFigurePage, ({ params: { pageId } }, { caller }) => dropPage(db, pageId, caller.id))
  route(routes, mailFigurePage, ({ params: { pageId }, body: { every } }, { caller, now }) =>
    mailPage(db, pageId, caller.id, every, localDateAt(now, caller.zone)),
  )
}
