import type { Database } from '../db'
import { rollUpAcknowledgements, rollUpReadings, rollUpSteps, rollUpWays, rollUpWaySteps } from './rollUp'

/** Throws the roll-ups away and counts every event anew. New events wait until it is done. */
export async function recount(database: Database): Promise<void> {
  await database.transaction(async (tx) => {
    await tx.rows('lock table event in share mode')
    await tx.rows('truncate reading, reading_step, way_use, way_step, acknowledgement')
    await tx.rows(rollUpSteps('event'))
    await tx.rows(rollUpReadings('event'))
    await tx.rows(rollUpAcknowledgements('event'))
    await tx.rows(rollUpWays('event'))
    await tx.rows(rollUpWaySteps('event'))
  })
}
