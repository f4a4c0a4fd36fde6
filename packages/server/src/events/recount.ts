import type { Database } from '../db'
import { rollUpReadings, rollUpSteps } from './rollUp'

/** Throws the roll-ups away and counts every event anew. New events wait until it is done. */
export async function recount(database: Database): Promise<void> {
  await database.transaction(async (tx) => {
    await tx.rows('lock table event in share mode')
    await tx.rows('truncate reading, reading_step')
    await tx.rows(rollUpSteps('event'))
    await tx.rows(rollUpReadings('event'))
  })
}
