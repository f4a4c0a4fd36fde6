import type { PlanId } from '@jackdaw/core/shared'
import type { HandOver } from '../http'
import { PLAN } from './model'

/** Plans go over with their owner. */
export const handsOverPlans: HandOver = {
  kind: 'plans',
  heldBy: async (db, person) => (await db.in(PLAN).find({ ownerId: person }, { only: ['id'] })).map((row) => row.id),
  async pass(tx, things, from, to) {
    const own = { id: things as PlanId[], ownerId: from }
    const passed = (await tx.in(PLAN).find(own, { only: ['id'], lock: true })).map((row) => row.id)
    await tx.in(PLAN).update({ ownerId: to }, { id: passed })
    return passed
  },
}
