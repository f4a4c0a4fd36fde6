import type { AudienceFollower } from '../http'
import { assign } from './assign'
import { tellReaders } from './tellReaders'

/** Gives people what their audiences are given, and takes from them what is no longer theirs, after they joined or left some. */
export const followAudiences: AudienceFollower = async (tx, parts, { touched, audiences, now }) => {
  const given = await tx.one('select 1 from giving where audience_id = any ($1) limit 1', [audiences])
  if (!given) return
  await tellReaders(tx, parts, await assign(tx, parts.newId, { people: touched, audiences }, now), now)
}
