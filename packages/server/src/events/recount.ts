import type { Database } from '../db'
import { countAllPartsSeen } from '../items'
import { rollUpAcknowledgements, rollUpParts, rollUpProgress, rollUpWays, rollUpWaySteps } from './rollUp'

/** Throws the roll-ups away and counts every event anew. New events wait until it is done. */
export async function recount(database: Database): Promise<void> {
  await database.transaction(async (tx) => {
    await tx.rows('lock table event in share mode')
    await tx.rows('truncate item_progress, part_progress, way_use, way_step, acknowledgement')
    await tx.rows(rollUpParts('event'))
    await tx.rows(rollUpProgress('event'))
    await tx.rows(rollUpAcknowledgements('event'))
    await tx.rows(rollUpWays('event'))
    await tx.rows(rollUpWaySteps('event'))
    await countAllPartsSeen(tx)
  })
}
