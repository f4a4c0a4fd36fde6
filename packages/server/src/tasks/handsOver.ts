import type { TaskId } from '@jackdaw/core/shared'
import type { HandOver } from '../http'
import { TASK } from './model'

/** Tasks go over with their owner. */
export const handsOverTasks: HandOver = {
  kind: 'tasks',
  heldBy: async (db, person) => (await db.in(TASK).find({ ownerId: person }, { only: ['id'] })).map((row) => row.id),
  async pass(tx, things, from, to) {
    const own = { id: things as TaskId[], ownerId: from }
    const passed = (await tx.in(TASK).find(own, { only: ['id'], lock: true })).map((row) => row.id)
    await tx.in(TASK).update({ ownerId: to }, { id: passed })
    return passed
  },
}
