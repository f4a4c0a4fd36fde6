import { Op } from 'sequelize'
import type { Parts } from '../../http'
import { ATTEMPT } from '../model'
import { runningOf } from './attempt'
import { expire } from './endAttempt'

/** Ends the attempts whose time is up and to which nobody has come back, each for itself.
 * @returns how many */
export async function expireAttempts({ database, events }: Pick<Parts, 'database' | 'events'>, now: number): Promise<number> {
  const late = { endedAt: null, expiresAt: { [Op.lte]: now } }
  let ended = 0
  for (const { id } of await database.in(ATTEMPT).find(late, { only: ['id'], order: ['expiresAt'] }))
    await database.transaction(async (tx) => {
      const row = await tx.in(ATTEMPT).one({ id, ...late }, { lock: true })
      if (!row) return
      await expire({ tx, events }, await runningOf(tx, row))
      ended++
    })
  return ended
}
