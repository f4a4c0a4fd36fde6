import type { GuideId } from '@jackdaw/core/shared'
import type { HandOver } from '../http'
import { GUIDE } from './model'

/** Guides and their drafts go over with their owner. Whoever wrote along stays so. */
export const handsOverGuides: HandOver = {
  kind: 'guides',
  heldBy: async (db, person) => (await db.in(GUIDE).find({ ownerId: person }, { only: ['id'] })).map((row) => row.id),
  async pass(tx, things, from, to) {
    const own = { id: things as GuideId[], ownerId: from }
    const passed = (await tx.in(GUIDE).find(own, { only: ['id'], lock: true })).map((row) => row.id)
    await tx.in(GUIDE).update({ ownerId: to }, { id: passed })
    return passed
  },
}
