/** What happened to people over the year before the anchor day, by whom it concerns; who is meant is told by their team and place in it. */

/** Somebody who was in other groups until some days ago. */
export type Moved = {
  team: string
  place: number
  daysAgo: number
  before: { team?: string; role?: string; department?: string; site?: string }
}
/** Who moved within the company. */
export const MOVED: readonly Moved[] = [
  {
    team: 'Crate line B',
    place: 3,
    daysAgo: 232,
    before: { team: 'Quay loading', role: 'forklift driver', department: 'Dispatch', site: 'Quay Depot' },
  },
  {
    team: 'Houses 1 to 3',
    place: 2,
    daysAgo: 177,
    before: { team: 'Potting on', role: 'propagation hand', department: 'Propagation', site: 'North House' },
  },
  { team: 'Order desk', place: 2, daysAgo: 143, before: { team: 'Crate line A', role: 'packhouse operator', department: 'Packhouse' } },
  { team: 'Drivers', place: 1, daysAgo: 96, before: { team: 'Quay loading', role: 'forklift driver' } },
]

/** Somebody who has begun not long ago, by team and place from the end of it. */
export type Joined = { team: string; fromEnd: number; daysAgo: number }
/** Who came last. */
export const JOINED: readonly Joined[] = [
  { team: 'Houses 1 to 3', fromEnd: 1, daysAgo: 12 },
  { team: 'Crate line B', fromEnd: 1, daysAgo: 5 },
]

/** Somebody who worked here and left. */
export type Left = {
  name: string
  mail: string
  number: string
  jobTitle: string
  team: string
  role: string
  startedDaysAgo: number
  leftDaysAgo: number
}
/** Who left. */
export const LEFT: readonly Left[] = [
  {
    ...{ name: 'Rhys Bellamy', mail: 'rhys@larkmoor.example', number: '0940', jobTitle: 'Packer' },
    ...{ team: 'Crate line A', role: 'packhouse operator', startedDaysAgo: 900, leftDaysAgo: 205 },
  },
  {
    ...{ name: 'Olga Pietrzak', mail: 'olga@larkmoor.example', number: '0952', jobTitle: 'Propagation assistant' },
    ...{ team: 'Seeding', role: 'propagation hand', startedDaysAgo: 1_300, leftDaysAgo: 150 },
  },
  {
    ...{ name: 'Callum Threlfall', mail: 'callum@larkmoor.example', number: '0967', jobTitle: 'Driver' },
    ...{ team: 'Drivers', role: 'dispatch driver', startedDaysAgo: 640, leftDaysAgo: 84 },
  },
]
