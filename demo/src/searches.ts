import { guideItem } from '@jackdaw/core/items'
import { known, localDateAt, nth, seededRandom, type GuideId, type SearchId } from '@jackdaw/core/shared'
import { atWork } from './activity'
import type { Loading } from './tasks'

const DAY = 86_400_000

/** What people sought: in which words, who, how often in the last `days`, and what they opened; `null` where there is nothing of it. */
const SOUGHT: readonly {
  words: readonly string[]
  teams: readonly string[]
  times: number
  days: number
  file: string | null
  finds?: number
}[] = [
  {
    words: ['label printer', 'labels', 'label stuck', 'printer label jam'],
    teams: ['Crate line A', 'Crate line B'],
    times: 46,
    days: 330,
    file: 'label-printer',
  },
  { words: ['frost', 'frost night', 'freezing'], teams: ['Houses 1 to 3'], times: 21, days: 340, file: 'frost-night' },
  { words: ['complaint', 'complaints', 'customer complaint'], teams: ['Order desk'], times: 18, days: 270, file: 'customer-complaint' },
  { words: ['mixed pallet', 'pallet', 'wrapping'], teams: ['Drivers', 'Quay loading'], times: 14, days: 200, file: 'mixed-pallet' },
  { words: ['standing order', 'standing orders'], teams: ['Order desk'], times: 9, days: 50, file: 'enter-a-standing-order' },
  { words: ['delivery slot', 'book slot'], teams: ['Order desk', 'Drivers'], times: 8, days: 44, file: 'book-a-delivery-slot' },
  // Nobody has written these yet.
  {
    words: ['forklift battery', 'forklift batteries', 'battery forklift charge'],
    teams: ['Quay loading', 'Drivers'],
    times: 23,
    days: 190,
    file: null,
    finds: 0,
  },
  { words: ['cold store alarm', 'alarm cold store'], teams: ['Crate line A', 'Quay loading'], times: 12, days: 120, file: null, finds: 0 },
  { words: ['wage slip', 'wage slips'], teams: ['Seeding', 'Houses 1 to 3', 'Crate line B'], times: 9, days: 300, file: null, finds: 0 },
  { words: ['credit note'], teams: ['Order desk'], times: 6, days: 90, file: null, finds: 1 },
]

/** What people sought in the last year, and what they found. */
export async function addSearches({ services, members, until }: Loading, guideIds: ReadonlyMap<string, GuideId>): Promise<void> {
  const random = seededRandom(77)
  const oneOf = <T>(list: readonly T[]): T => nth(list, Math.floor(random() * list.length))
  for (const { words, teams, times, days, file, finds = 1 } of SOUGHT)
    for (let n = 0; n < times; n++) {
      const who = oneOf(members.filter((member) => teams.includes(member.teams[0] ?? '') && member.joinsLate === null))
      const now = Math.round(Math.min(until - DAY / 4, atWork(until - random() * days * DAY, random)))
      // Most use the first words; now and then nothing of what was found is opened.
      const opened = file !== null && random() < 0.88 ? guideItem(known(guideIds, file)) : null
      const sought = { words: random() < 0.5 ? nth(words, 0) : oneOf(words), found: finds, opened }
      await services.keepSearch(services.newId<SearchId>(), sought, { by: who.id, today: localDateAt(now, 'Europe/London'), now })
    }
}
