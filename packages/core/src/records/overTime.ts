import { addDays, daysBetween, localDateAt, type LocalDate } from '../shared'

/** When somebody was given an item, began it, and finished it for good, epoch milliseconds; `null`: not (yet). */
export type Dates = { given: number | null; begun: number | null; done: number | null }
/** How many people had been given an item, had begun and had finished it at the end of a day. */
export type DayCounts = { day: LocalDate; given: number; begun: number; done: number }

/** Most days that are told apart one by one; over more, weeks are. */
const MOST_DAYS = 200

/** How far people were at the end of each day, from the first on which anything happened to today. Where that is longer than 200 days, the
 * end of every seventh day, counted back from today. Numbers never fall.
 * @param zone IANA time zone name: whose days they are
 * @param now  epoch milliseconds, UTC
 * @returns nothing where nothing has happened */
export function overTime(people: readonly Dates[], zone: string, now: number): DayCounts[] {
  const dates = { given: daysOf('given'), begun: daysOf('begun'), done: daysOf('done') }
  const all = [...dates.given, ...dates.begun, ...dates.done]
  if (all.length === 0) return []
  const today = localDateAt(now, zone)
  const first = all.reduce((least, day) => (day < least ? day : least), today)
  const length = daysBetween(first, today)
  const every = length > MOST_DAYS ? 7 : 1
  const upTo = (of: keyof typeof dates) => {
    const sorted = dates[of].sort()
    let n = 0
    return (day: LocalDate): number => {
      while (n < sorted.length && sorted[n]! <= day) n++
      return n
    }
  }
  const [given, begun, done] = [upTo('given'), upTo('begun'), upTo('done')]
  const start = length - Math.floor(length / every) * every
  return Array.from({ length: Math.floor(length / every) + 1 }, (_, i) => {
    const day = addDays(first, start + i * every)
    return { day, given: given(day), begun: begun(day), done: done(day) }
  })

  function daysOf(of: keyof Dates): LocalDate[] {
    return people.flatMap((person) => {
      const at = person[of]
      return at === null ? [] : [localDateAt(Math.min(at, now), zone)]
    })
  }
}
