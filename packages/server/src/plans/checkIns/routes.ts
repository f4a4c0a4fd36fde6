import * as contract from '@jackdaw/contracts/checkIns'
import { route, type Routes } from '../../http'
import { answerCheckIn } from './answering'
import { checkInFor, checkInsOf } from './shown'

export function checkInRoutes(routes: Routes): void {
  const { parts } = routes
  const { database: db } = parts

  route(routes, contract.listMyCheckIns, (_input, { caller }) => checkInsOf(db, caller.id))
  route(routes, contract.listCheckInsOf, ({ params: { id } }) => checkInsOf(db, id))
  route(routes, contract.getCheckIn, ({ params: { id } }, { caller }) => checkInFor(db, id, caller.id))
  route(routes, contract.answerCheckIn, async ({ params: { id }, body: { answers } }, { caller, now }) => ({
    both: await answerCheckIn(parts, id, answers, caller.id, now),
  }))
}
