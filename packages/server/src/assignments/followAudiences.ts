import type { PeopleFollower } from '../http'
import { assign } from './assign'
import { tellReaders } from './tellReaders'

/** Gives people what their audiences are given, and takes from them what is no longer theirs, after they joined or left some. */
export const followAudiences: PeopleFollower = async (tx, parts, { touched, now }) => {
  for (const assigned of await assign(tx, parts.newId, { people: touched }, now)) await tellReaders(tx, parts, assigned, now)
}
