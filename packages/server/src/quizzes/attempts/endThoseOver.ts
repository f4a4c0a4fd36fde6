import { Op } from 'sequelize'
import type { Parts } from '../../http'
import { QUIZ_ATTEMPT } from '../model'
import { withAttempt } from './answering'

/** Ends the attempts whose time is over and to which nobody has come back, each for itself.
 * @returns how many */
export async function endThoseOver(parts: Parts, now: number): Promise<number> {
  const late = await parts.database
    .in(QUIZ_ATTEMPT)
    .find({ endedAt: null, endsAt: { [Op.lte]: new Date(now) } as never }, { only: ['id'], order: ['endsAt'] })
  for (const { id } of late) await withAttempt(parts, id, now, async () => undefined)
  return late.length
}
