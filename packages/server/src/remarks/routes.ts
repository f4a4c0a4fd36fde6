import { listMyRemarks, listRemarks, sayWrong, settleRemark } from '@jackdaw/contracts/remarks'
import { route, type Routes } from '../http'
import { addRemark, openRemarks, remarksForOwner, settle } from './store'

export function remarkRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, sayWrong, ({ params: { id }, body }, { caller, now }) => addRemark(db, id, caller.id, body, now))
  route(routes, listRemarks, ({ params: { id } }) => openRemarks(db, id))
  route(routes, listMyRemarks, (_input, { caller }) => remarksForOwner(db, caller.id))
  route(routes, settleRemark, ({ params: { id, remarkId }, body: { done } }, { caller, now }) =>
    settle(db, id, remarkId, done, caller.id, now),
  )
}
